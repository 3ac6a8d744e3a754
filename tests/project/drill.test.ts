import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bundled } from './command'

const DRILL = bundled('scripts/drill.ts')
let dir: string
beforeAll(() => {
  dir = mkdtempSync(join(tmpdir(), 'uzzet-'))
})
afterAll(() => rmSync(dir, { recursive: true }))

function drill(csv: string, ...more: string[]) {
  const path = join(dir, 'balls.csv')
  writeFileSync(path, csv)
  const done = spawnSync(process.execPath, [DRILL, '--balls', path, ...more], {
    encoding: 'utf8',
  })
  return { code: done.status, out: done.stdout, err: done.stderr.trim() }
}

describe('the headless door of Practice', () => {
  it('scores a test at random distances: leave by length and side, the level beside it (common practice)', () => {
    const rows = [
      'target_yd,carry_yd,side_yd',
      '95,94.9,3.332',
      '80,88,3.399',
      '85,81,0',
      '90,92,1.202',
      '100,95,3.317',
    ]
    const done = drill(rows.join('\n'), '--drill', 'random-targets', '--level', 'good')
    expect(done).toMatchObject({ code: 0, err: '' })
    const score = JSON.parse(done.out)
    expect(score).toMatchObject({ format: 'uzzet-score', version: 1, direction: 'more', sideSeen: 1 })
    const feet = score.balls.map(({ leaveM }: { leaveM: number }) => Math.round(leaveM / 0.3048))
    expect(feet).toEqual([10, 26, 12, 7, 18])
    expect(score.levels.expert).toBeGreaterThan(score.levels.beginner)
  })

  it('scores speeds, in mph or km/h alike, and circles by eye', () => {
    const mph = drill('called_speed_mph,club_speed_mph\n68,67\n72,70\n74,72', '--drill', 'speed-calls')
    const kmh = drill(
      'called_speed_kmh,club_speed_kmh\n109.435,107.826\n115.873,112.654\n119.091,115.873',
      '--drill',
      'speed-calls',
    )
    expect(JSON.parse(mph.out).words).toBe('1.7 mph off on average')
    expect(Math.abs(JSON.parse(mph.out).score - JSON.parse(kmh.out).score)).toBeLessThan(0.002)
    const eye = drill('target_yd,good\n40,yes\n60,no\n40,no\n60,yes', '--drill', 'circles')
    expect(JSON.parse(eye.out)).toMatchObject({ score: 0.5, good: 2 })
  })

  it.each([
    ['target_yd,carry_yd\n900,80', 'stairs', /row 2, target_yd: "900"/],
    ['target_yd,carry_yd\n50,far', 'stairs', /row 2, carry_yd: "far"/],
    ['carry_yd\n50', 'stairs', /row 2, target_m: "" is missing/],
    ['target_yd,good\n50,maybe', 'circles', /good: "maybe" is not one of yes, no/],
    ['target_yd,carry_yd\n50,50', 'hopscotch', /"hopscotch" is no drill/],
  ])('%j is refused by name', (csv, id, message) => {
    const done = drill(csv, '--drill', id)
    expect(done.code).toBe(2)
    expect(done.err).toMatch(message)
    expect(done.out).toBe('')
  })
})
