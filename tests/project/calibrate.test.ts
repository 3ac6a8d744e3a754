import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bundled } from './command'

const CALIBRATE = bundled('scripts/calibrate.ts')
const BAG = 'tests/fixtures/bag.json'
const SHOTS = 'tests/fixtures/shots.csv'
let dir: string
beforeAll(() => {
  dir = mkdtempSync(join(tmpdir(), 'uzzet-'))
})
afterAll(() => rmSync(dir, { recursive: true }))

function run(command: string, args: string[]) {
  const done = spawnSync(command, args, { encoding: 'utf8' })
  // npm's own warnings about a machine's settings are not the program's.
  return {
    code: done.status,
    out: done.stdout,
    err: done.stderr
      .split('\n')
      .filter(line => line && !line.startsWith('npm warn'))
      .join('\n'),
  }
}

/** The program itself; npm's part of the door is opened once, in the first test. */
const calibrate = (...args: string[]) => run(process.execPath, [CALIBRATE, ...args])

function file(name: string, text: string): string {
  const path = join(dir, name)
  writeFileSync(path, text)
  return path
}

const bagWith = (change: object) =>
  file('bag.json', JSON.stringify({ ...JSON.parse(readFileSync(BAG, 'utf8')), ...change }))
const shotsWith = (line: string) => file('shots.csv', `club,swing,carry_yd\n${'50°,half,73\n'.repeat(12)}${line}\n`)

describe('the headless door', () => {
  it('gives a chart with numbers, windows, ladder and flags, to the byte the same each time', () => {
    const [first, again] = [
      run('npm', ['run', '--silent', 'calibrate', '--', '--bag', BAG, '--shots', SHOTS]),
      calibrate('--bag', BAG, '--shots', SHOTS, '--unit', 'yd'),
    ]
    expect(first).toMatchObject({ code: 0, err: '' })
    expect(again.out).toBe(first.out)
    const chart = JSON.parse(first.out)
    expect(chart).toMatchObject({ format: 'uzzet-chart', version: 1, asOf: null })
    expect(
      chart.cells.map((c: { club: string; swing: string; kind: string; balls: number; leftOut: number }) => [
        c.club,
        c.swing,
        c.kind,
        c.balls,
        c.leftOut,
      ]),
    ).toEqual([
      ['58°', 'half', 'measured', 3, 1],
      ['58°', 'full', 'struck-out', 0, 0],
      ['54°', 'half', 'measured', 3, 0],
      ['54°', 'full', 'predicted', 0, 0],
      ['50°', 'half', 'measured', 3, 0],
      ['50°', 'full', 'predicted', 0, 0],
    ])
    // Really measured; from these balls that coach wrote 46, 56 and 74 yd (common practice).
    const measured = chart.cells.filter((c: { kind: string }) => c.kind === 'measured') as {
      carryM: number
      certainty80M: number[]
      window80M: number[]
      middleM: number
    }[]
    measured.forEach((cell, i) => {
      expect(Math.abs(cell.carryM / 0.9144 - [46, 56, 74][i]!)).toBeLessThan(1.5)
      expect(cell.window80M[0]).toBeLessThan(cell.certainty80M[0]!)
    })
    expect(measured.map(cell => cell.middleM)).toEqual([42.98, 50.29, 66.75])
    expect(chart.ladder.map((s: { swing: string }) => s.swing)).toEqual(['half', 'half', 'half', 'full', 'full'])
    expect(
      chart.flags.find(
        (flag: { rule: string; sureness: string }) => flag.rule === 'step' && flag.sureness === 'likely',
      ),
    ).toMatchObject({
      sureness: 'likely',
      title: 'Wide step, 56 to 73 yd',
      cells: [
        { club: '54°', swing: 'half' },
        { club: '50°', swing: 'half' },
      ],
    })
    expect(chart.next[0]).toEqual({
      club: '50°',
      swing: 'full',
      balls: 3,
      why: 'Nothing else tells you more: it also sharpens 54° full.',
    })
    expect(chart.ready).toMatchObject({ withinM: 2.74, cellsInUse: 5, goodEnough: false })
    expect(chart).not.toHaveProperty('retestDue')
  })

  it('speaks metres when asked, and adds several files up', () => {
    const { out } = calibrate('--bag', BAG, '--shots', SHOTS, '--shots', shotsWith('50°,half,73'), '--unit', 'm')
    expect(JSON.parse(out).flags.map((flag: { title: string }) => flag.title)).toContainEqual(
      expect.stringMatching(/^Wide step, 5[0-2] to 67 m$/),
    )
    expect(JSON.parse(out).cells.at(-2).balls).toBe(16)
  })

  it('shows the chart as of a day', () => {
    const table = file(
      'dated.csv',
      'club,swing,carry_m,time\n50°,half,70,2026-05-04T17:30:00Z\n50°,half,90,2026-06-01T09:00:00+02:00\n',
    )
    expect(JSON.parse(calibrate('--bag', BAG, '--shots', table).out)).toMatchObject({
      asOf: '2026-06-01T07:00:00.000Z',
      cells: [{}, {}, {}, {}, { balls: 2, lastHit: '2026-06-01T07:00:00.000Z' }, {}],
    })
    const then = JSON.parse(calibrate('--bag', BAG, '--shots', table, '--as-of', '2026-05-04').out)
    expect(then.cells[4]).toMatchObject({ balls: 1, middleM: 70 })
    expect(then.retestDue).toMatch(/^2026-0[56]-\d\d$/)
  })

  it('takes rows without a session by their day: two days of one club are two visits, which tell more than one', () => {
    const rows = [70, 71, 69, 70, 71, 69].map((m, i) => `50°,half,${m},2026-05-04T17:3${i}:00Z`)
    const width = (lines: string[]) => {
      const [low, high] = JSON.parse(
        calibrate(
          '--bag',
          BAG,
          '--shots',
          file('days.csv', `club,swing,carry_m,time\n${lines.join('\n')}\n`),
          '--as-of',
          '2026-05-06',
        ).out,
      ).cells[4].certainty80M
      return high - low
    }
    // Form changes from day to day, so six balls on one day tell less of a stock carry than three and three.
    expect(width(rows.map((row, i) => (i < 3 ? row : row.replace('05-04', '05-05'))))).toBeLessThan(width(rows))
  })

  it("takes the rows of the bag's player out of a file of several", () => {
    const table = file('many.csv', 'player,club,swing,carry_m\nA,50°,half,70\nB,50°,half,90\n')
    expect(JSON.parse(calibrate('--bag', BAG, '--shots', table).out).cells[4]).toMatchObject({ middleM: 70, balls: 1 })
    expect(calibrate('--bag', bagWith({ player: undefined }), '--shots', table).err).toMatch(
      /many\.csv holds 2 players/,
    )
  })

  it.each([
    [
      'a carry of text',
      () => ['--bag', BAG, '--shots', shotsWith('50°,half,abc')],
      /^shots\.csv row 14, carry_yd: "abc" is not a number from 1 to 400$/,
    ],
    [
      'an unknown club in row 14',
      () => ['--bag', BAG, '--shots', shotsWith('57°,half,70')],
      /^shots\.csv row 14, club: "57°" is not in the bag: 50°, 54°, 58°$/,
    ],
    [
      'an unknown swing',
      () => ['--bag', BAG, '--shots', shotsWith('50°,9:00,70')],
      /^shots\.csv row 14, swing: "9:00" is not on the scale: half, full$/,
    ],
    ['a missing file', () => ['--bag', BAG, '--shots', 'nowhere.csv'], /^nowhere\.csv: there is no such file$/],
    ['a folder', () => ['--bag', 'tests', '--shots', SHOTS], /^tests is not a file$/],
    ['a bag that is no JSON', () => ['--bag', SHOTS, '--shots', SHOTS], /^shots\.csv is not JSON: /],
    [
      'an unknown format version',
      () => ['--bag', bagWith({ version: 7 }), '--shots', SHOTS],
      /^bag\.json, version: version "7" is not known: 1 is\.$/,
    ],
    [
      'a negative loft',
      () => ['--bag', bagWith({ clubs: [{ label: 'x', loftDeg: -46 }] }), '--shots', SHOTS],
      /^bag\.json, clubs\.0\.loftDeg: Loft -46° is not possible: 8 to 70° is allowed\.$/,
    ],
    [
      'rungs that repeat',
      () => [
        '--bag',
        bagWith({ scale: { school: 'arm', rungs: [{ label: 'half' }, { label: 'HALF' }] } }),
        '--shots',
        SHOTS,
      ],
      /^bag\.json, scale\.rungs\.1\.label: Swing length "HALF" is there twice/,
    ],
    [
      'a struck-out cell of no club',
      () => ['--bag', bagWith({ struckOut: [{ club: '1', swing: 'half' }] }), '--shots', SHOTS],
      /^bag\.json, struckOut: club "1" is not in the bag$/,
    ],
    ['an unknown unit', () => ['--bag', BAG, '--shots', SHOTS, '--unit', 'ft'], /^--unit: "ft" is not yd or m$/],
    [
      'a day that is none',
      () => ['--bag', BAG, '--shots', SHOTS, '--as-of', 'May'],
      /^--as-of: "May" is not an ISO 8601 day/,
    ],
    ['an unknown option', () => ['--bag', BAG, '--shots', SHOTS, '--colour'], /^Unknown option '--colour'.*usage:/],
    ['nothing', () => [], /^--bag and --shots are needed; usage:/],
    [
      'a file of 200 MB',
      () => {
        const path = file('huge.csv', '')
        truncateSync(path, 200e6)
        return ['--bag', BAG, '--shots', path]
      },
      /^huge\.csv has 200 MB: at most 25 MB is allowed$/,
    ],
  ])('answers %s with one line, exit code 2 and nothing on standard output', (_, args, line) => {
    const { code, out, err } = calibrate(...args())
    expect([code, out]).toEqual([2, ''])
    expect(err.split('\n')).toHaveLength(1)
    expect(err).toMatch(line)
  })
})
