import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bundled } from './command'
import { readRoundTable, writeRoundTable } from '../../core/files/round-table'

const ROUNDS = bundled('scripts/rounds.ts')
let dir: string
beforeAll(() => {
  dir = mkdtempSync(join(tmpdir(), 'uzzet-'))
})
afterAll(() => rmSync(dir, { recursive: true }))

const BAG = {
  format: 'uzzet-bag',
  version: 1,
  level: 'good',
  scale: { school: 'clock', rungs: [{ label: '9:00' }, { label: 'full' }] },
  clubs: [
    { label: '56°', loftDeg: 56 },
    { label: '50°', loftDeg: 50 },
  ],
}

function rounds(csv: string, ...more: string[]) {
  const [bag, table] = [join(dir, 'bag.json'), join(dir, 'rounds.csv')]
  writeFileSync(bag, JSON.stringify(BAG))
  writeFileSync(table, csv)
  const done = spawnSync(process.execPath, [ROUNDS, '--bag', bag, '--rounds', table, ...more], { encoding: 'utf8' })
  return { code: done.status, out: done.stdout, err: done.stderr.trim() }
}
const HEAD = 'round,date,hole,chance,distance_yd,club,swing,lie,finish_long_yd,finish_right_yd,penalty'
/** Every chance with the 50° at full ends 20 yards short; the others lie about their flags. */
const ROWS = Array.from({ length: 40 }, (_, i) => {
  const day = `2026-05-${String(1 + Math.floor(i / 10)).padStart(2, '0')}`
  const off = [3, -4, 1, -2][i % 4]!
  return i % 2 === 0
    ? `r${Math.floor(i / 10)},${day},,yes,112,50°,full,,${off - 20},2,`
    : `r${Math.floor(i / 10)},${day},,yes,75,56°,9:00,,${off},-2,`
})

describe('the headless door of Rounds', () => {
  it('tells what is asked, and puts the stock shot that falls short first, off its number', () => {
    const done = rounds([HEAD, ...ROWS, 'r9,2026-05-09,,no,190,,,,,,'].join('\n'))
    expect(done).toMatchObject({ code: 0, err: '' })
    const out = JSON.parse(done.out)
    expect(out).toMatchObject({ format: 'uzzet-rounds', version: 1, rounds: 5, level: 'good' })
    expect(out.asks.bands.reduce((sum: number, { chances }: { chances: number }) => sum + chances, 0)).toBe(40)
    expect(out.work[0]).toMatchObject({ club: '50°', swing: 'full', off: true, share: 0.5 })
    expect(out.work[0].words).toMatch(/^Asked for by 50 in 100 chances, and ends 18 yd short on average\./)
  })

  it('goes by a day, and gives the same bytes for the same input', () => {
    const csv = [HEAD, ...ROWS].join('\n')
    expect(JSON.parse(rounds(csv, '--as-of', '2026-05-02').out).rounds).toBe(2)
    expect(rounds(csv).out).toBe(rounds(csv).out)
  })

  it('a fault is one line and exit code 2', () => {
    const fault = (csv: string, ...more: string[]) => {
      const { code, out, err } = rounds(csv, ...more)
      expect([code, out, err.split('\n').length]).toEqual([2, '', 1])
      return err
    }
    expect(fault(`${HEAD}\nr,2026-05-01,,yes,9000,,,,,,`)).toContain('rounds.csv row 2, distance_yd: "9000"')
    expect(fault(`${HEAD}\nr,May,,yes,90,,,,,,`)).toContain('rounds.csv row 2, date: "May" is not a day')
    expect(fault(`${HEAD}\nr,2026-05-01,,yes,90,,,moon,,,`)).toContain('lie: "moon" is not one of fairway')
    expect(fault(HEAD, '--as-of', 'soon')).toContain('--as-of "soon" is not a day')
  })
})

describe('the table of rounds', () => {
  it('comes back as it went out', () => {
    const { rounds: read } = readRoundTable([HEAD.replaceAll('_yd', '_m'), ...ROWS].join('\n'))
    expect(readRoundTable(writeRoundTable(read))).toEqual({ rounds: read, errors: [] })
  })
})
