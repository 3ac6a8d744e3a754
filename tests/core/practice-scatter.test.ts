import { v7 as newId } from 'uuid'
import { describe, expect, it } from 'vitest'
import type { StockShot } from '../../core/bag/bag'
import { USUAL_OPTIONS } from '../../core/calibration/calibration'
import { practised, type PracticeLeave } from '../../core/chart/practice-scatter'
import { servedAt, servedBest } from '../../core/chart/served-best'
import { publish } from '../../core/history/published'
import type { DrillSpec } from '../../core/practice/drill-spec'
import { yardsToMetres } from '../../core/units'
import { practiceLeaves } from '../../shared/practice'
import type { GoBall, GoRecord } from '../../shared/schemas/practice'
import { servedText } from '../../words/pick'
import { flagText } from '../../words/flags'
import { makeDice } from '../bench/simulation/dice'
import { bagOf, calibrated, tenBalls } from './players'

describe('what practice tells of a stock shot', () => {
  const bag = bagOf({ '58°': 58, '52°': 52, '46°': 46 }, ['half', 'three-quarter', 'full'], 'arm')
  const chartBalls = bag.clubs.flatMap((club, c) =>
    bag.scale.rungs.flatMap((rung, r) => tenBalls(club.id, rung.id, (50 + 14 * c) * (1 + 0.3 * r))),
  )
  const SPEC: DrillSpec = {
    drill: 'random-targets',
    tasks: [{ targetM: 75 }],
    order: 'in turn',
    ballsEach: 1,
    stop: { kind: 'balls' },
    measure: 'leave',
    score: 'strokes',
    level: 'good',
    seed: 1,
  }
  const HEAD = { number: 1, publishedAtMs: 0, unit: 'yd' as const, note: '', changed: '' }
  const at = { clubId: '52°', rungId: 'three-quarter' }
  const numberYd = 64 * 1.3
  const leaves = (offsYd: readonly number[]): PracticeLeave[] =>
    offsYd.map((off, i) => ({
      ...at,
      targetM: yardsToMetres(numberYd + (i % 3) - 1),
      offM: yardsToMetres(off),
    }))
  const weak = (practice: PracticeLeave[]) =>
    calibrated(bag, chartBalls, {}, { ...USUAL_OPTIONS, practice }).findings.filter(({ flag }) => flag === 'weak')
  const wide = Array.from({ length: 30 }, (_, i) => (i % 2 ? 11 : -11) + (i % 5))

  it('balls far wider than on the range raise the weak flag, whose sentence says that practice is in it', () => {
    expect(weak([])).toEqual([])
    const [found] = weak(leaves(wide))
    expect(found).toMatchObject({ cells: [at], data: { practised: 30 } })
    expect(flagText(found!, { cell: () => 'it', club: () => 'it' }, 'yd').why).toMatch(
      / 30 practice balls are in this, each for half a ball of a chart\.$/,
    )
  })

  it('balls as wide as on the range raise none, nor do three wild ones, nor a target missed by the same every time', () => {
    const like = [-3, -2, -1.5, -1, -0.5, 0.5, 1, 1.5, 2, 3]
    expect(weak(leaves([...like, ...like, ...like]))).toEqual([])
    expect(weak(leaves([30, -30, 25]))).toEqual([])
    expect(weak(leaves(like.map(off => off - 12)))).toEqual([])
  })

  it('a ball far off all the others is a mishit and widens nothing; the others count for half, less one of them', () => {
    const told = (offsYd: number[]) => practised(leaves(offsYd), 0.03).get(`${at.clubId}/${at.rungId}`)!
    const usual = [-2, -1, 0, 1, 2, -2, -1, 1, 2]
    const [without, with_] = [told(usual), told([...usual, 40])]
    expect(without).toMatchObject({ degrees: 4, balls: 4.5, mishits: 0, told: 9 })
    expect(with_).toMatchObject({ degrees: 4, balls: 5, mishits: 0.5, told: 10 })
    expect(with_.squares / without.squares).toBeCloseTo(1, 1)
    // Far off, but all alike: it lies wide, and no ball of it is a mishit.
    expect(told([-30, 30, -28, 28, -32, 32]).mishits).toBe(0)
  })

  it('of 60 unchanged players who also try for a yard or two more or less, at most three are called weak', () => {
    const { normal: random } = makeDice(7)
    const own = 2.2
    const falsely = Array.from({ length: 60 }, () =>
      weak(leaves(Array.from({ length: 20 }, () => own * random() + 1.5 * random()))),
    )
    expect(falsely.filter(found => found.length > 0).length).toBeLessThanOrEqual(3)
  })

  it('is the scatter that Pick takes with the next published chart; the number stays', () => {
    const known = calibrated(bag, chartBalls)
    const cellOf = (practice: PracticeLeave[]) =>
      publish(known, new Map(), HEAD, 'all', practice).cells.find(
        ({ clubId, rungId }) => clubId === at.clubId && rungId === at.rungId,
      )!
    const [without, with_] = [cellOf([]), cellOf(leaves(wide))]
    expect(with_.pattern!.longSdM / without.pattern!.longSdM).toBeGreaterThan(1.3)
    expect(with_.carry).toEqual(without.carry)
  })

  it('a target of two stock shots says what each left, the least first, also where a side was seen', () => {
    const other = { clubId: '46°', rungId: 'half' }
    const ball = (cell: StockShot, offM: number, sideM?: number): PracticeLeave => ({
      ...cell,
      targetM: 75,
      offM,
      ...(sideM !== undefined && { sideM }),
    })
    const four = (cell: StockShot, offM: number, sideM?: number) =>
      Array.from({ length: 4 }, () => ball(cell, offM, sideM))
    const served = servedBest([...four(other, 6), ...four(at, 3, -4), ...four({ ...at, rungId: 'full' }, 1).slice(1)])
    expect(served).toEqual([
      {
        atM: 75,
        shots: [expect.objectContaining({ ...at, leaveM: 5 }), expect.objectContaining({ ...other, leaveM: 6 })],
      },
    ])
    expect([servedAt(served, 76.5), servedAt(served, 79)]).toEqual([served[0], undefined])
    expect(servedText(served[0]!, ({ clubId }) => clubId, 'm')).toBe(
      'In practice at 75 m these left the least: 52° (5 m over 4 balls), 46° (6 m over 4 balls).',
    )
    expect(servedBest(four(at, 3))).toEqual([])
    // Targets are told shortest first, and those near each other are one.
    const from = (targetM: number, list: PracticeLeave[]) => list.map(one => ({ ...one, targetM }))
    const pair = [...four(other, 6), ...four(at, 3)]
    const three = servedBest([...from(90, pair), ...from(60, pair), ...from(74, pair), ...from(75, pair)])
    expect(three.map(({ atM }) => atM)).toEqual([60, 74.5, 90])
    expect(three[1]!.shots[0]!.balls).toBe(8)
    // Wherever they lie: 82 and 83 yd are one as much as 80 and 81; five yards apart are two.
    for (const [a, b, targets] of [
      [80, 81, 1],
      [82, 83, 1],
      [82.4, 82.6, 1],
      [80, 85, 2],
    ] as const) {
      const near = servedBest([...from(yardsToMetres(b), pair), ...from(yardsToMetres(a), pair)])
      expect(near).toHaveLength(targets)
    }
    const half = yardsToMetres(5) / 2
    const told = [{ atM: 0, shots: [] }]
    expect([servedAt(told, half), servedAt(told, half * 1.001)]).toEqual([told[0], undefined])
    const published = publish(calibrated(bag, chartBalls), new Map(), HEAD, 'all', [...four(other, 6), ...four(at, 3)])
    expect(published.served).toHaveLength(1)
  })

  it('takes balls of a named stock shot alone, and none twice', () => {
    const ball = (change: Partial<GoBall>): GoBall => ({
      id: newId(),
      task: 0,
      atMs: 1,
      ...at,
      endM: 70,
      version: 1,
      ...change,
    })
    const counted = newId()
    const go = (balls: GoBall[], spec: Partial<DrillSpec> = {}, gone = false): GoRecord => ({
      id: newId(),
      name: '',
      note: '',
      spec: { ...SPEC, ...spec },
      startedAtMs: 0,
      endedAtMs: null,
      homeworkId: null,
      sessionId: null,
      gone,
      balls,
      version: 1,
    })
    const goes = [
      go([ball({}), ball({ clubId: undefined }), ball({ apart: 'flyer' }), ball({ endM: undefined })]),
      go([ball({ gone: true }), ball({ id: counted }), ball({ shotId: counted })]),
      go([ball({})], { toRest: true }),
      go([ball({})], {}, true),
    ]
    expect(practiceLeaves(goes, new Set([counted]))).toEqual([{ ...at, targetM: 75, offM: -5 }])
  })
})
