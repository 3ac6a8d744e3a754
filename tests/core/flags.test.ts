import { describe, expect, it } from 'vitest'
import { answered, openFlags, weightOf, type FlagAnswer } from '../../core/gaps/answers'
import { USUAL_OPTIONS, type CalibrationOptions } from '../../core/calibration/calibration'
import type { ChartCell } from '../../core/chart/chart-cell'
import type { CellRemark, Remarks } from '../../core/history/coach-remarks'
import type { GapFacts } from '../../core/gaps/facts'
import type { Finding } from '../../core/gaps/flag'
import { checkRules, FLAG_RULES, flagRule, isUncovered } from '../../core/gaps/flags'
import { SPREAD_OF_LEVEL, SAY, SIDE, SIDE_OF_LEVEL } from '../../core/model/constants'
import { oneFactOneFlag, withParts } from '../../core/gaps/one-fact'
import type { CoverAt, CoverShot } from '../../core/gaps/stretches'
import { descentDeg } from '../../core/gaps/descent'
import { yardsToMetres } from '../../core/units'
import { Z_80 } from '../../core/stats/quantiles'
import { unprovenOf } from '../../core/gaps/unproven'
import { flagText } from '../../words/flags'
import { unprovenText } from '../../words/unproven'
import { stockShotName } from '../../words/stock-shot'
import { answerLine } from '../../words/flag-answers'
import { factsOf, ladderOf } from './flag-harness'
import { bagOf, balls, calibrated, DAY_MS, tenBalls } from './players'

const DAY = 86_400_000
const names = {
  cell: (cell: { clubId: string; rungId: string }) => stockShotName(cell.clubId, cell.rungId),
  club: (cell: { clubId: string }) => cell.clubId,
}
const find = (id: string, facts: GapFacts, options = {}) => flagRule(id).find(facts, options)
const cellOf = (clubId: string, rungId: string, yd: number, more: Partial<ChartCell> = {}): ChartCell => ({
  clubId,
  rungId,
  balls: 5,
  leftOut: 0,
  lastHitMs: DAY_MS,
  carriesM: [],
  leftOutCarriesM: [],
  middleM: null,
  kind: 'measured',
  plain: false,
  carryM: yardsToMetres(yd),
  certainty80M: [yardsToMetres(yd - 2), yardsToMetres(yd + 2)],
  window80M: [yardsToMetres(yd - 6), yardsToMetres(yd + 6)],
  leansOn: null,
  ...more,
})
const ofChart = (chart: ChartCell[], more: Partial<GapFacts> = {}, probability = 0.99) =>
  factsOf(
    [...chart]
      .sort((a, b) => a.carryM! - b.carryM!)
      .map(({ clubId, rungId, carryM, balls: n, kind, plain }) => ({
        clubId,
        rungId,
        carryM: carryM!,
        balls: n,
        predicted: kind === 'predicted',
        written: false,
        plain,
        stepM: null,
        stepPlusMinusM: null,
      })),
    probability,
    { chart, nowMs: DAY_MS, ...more },
  )
const flagsOf = (bag: ReturnType<typeof bagOf>, measuredYd: readonly (readonly [string, string, number])[]) =>
  calibrated(
    bag,
    measuredYd.flatMap(([club, swing, yd]) => tenBalls(club, swing, yd)),
    { level: 'good' },
  ).findings
const atCell = (chart: readonly ChartCell[], clubId: string, rungId: string) =>
  chart.find(cell => cell.clubId === clubId && cell.rungId === rungId)!
const said = (flags: Finding[], id: string) =>
  withParts(flags).filter(one => one.flag === id && one.sureness !== 'open')

const shot: CoverShot = {
  clubId: 'a',
  rungId: 'full',
  grippedDown: false,
  predicted: false,
  carryM: 80,
  certaintySdM: 1,
  scatterSdM: 3,
  sideBiasM: 0,
  sideSdM: 4,
}
const yard = (yd: number, more: Partial<CoverAt> = {}): CoverAt => ({
  atM: yardsToMetres(yd),
  best: 0,
  leaveM: 5,
  badM: 9,
  couldM: 4.5,
  hole: null,
  ...more,
})
const facts = (at: CoverAt[], more: Partial<CoverShot> = {}, nowMs = DAY_MS) =>
  factsOf([], 0.9, {
    cover: { unit: 'yd', shots: [{ ...shot, ...more }], at, mishitShare: 0.07 },
    chart: [cellOf('a', 'full', 87)],
    nowMs,
  })
const run = (more: Partial<CoverAt> = {}) => [80, 81, 82, 83].map(yd => yard(yd, more))

describe('really measured players get the flags that a coach gave (common practice)', () => {
  it('18 and 10 yd from 4° of loft each: a finding; of the step itself one yard makes no hole', () => {
    const flags = flagsOf(bagOf({ '50°': 50, '54°': 54, '58°': 58 }, ['half'], 'arm'), [
      ['50°', 'half', 74],
      ['54°', 'half', 56],
      ['58°', 'half', 46],
    ])
    expect(said(flags, 'step').map(one => [one.sureness, one.cells.map(cell => cell.clubId)])).toEqual([
      ['sure', ['54°', '50°']],
    ])
    // By one yard of five; it takes a third of them.
    expect(said(flags, 'hole')).toEqual([])
    expect(said(flags, 'uneven-lofts').map(one => one.cells.map(cell => cell.clubId))).toEqual([['58°', '54°', '50°']])
    expect(said(flags, 'overlap')).toEqual([])
  })

  it('three clubs on one number are crowded', () => {
    const flags = flagsOf(bagOf({ '46°': 46, '50°': 50, '54°': 54, '58°': 58 }, ['full']), [
      ['46°', 'full', 112],
      ['50°', 'full', 111],
      ['54°', 'full', 110],
      ['58°', 'full', 92],
    ])
    const [one, ...more] = said(flags, 'crowded')
    expect([one!.cells.map(cell => cell.clubId), more]).toEqual([['54°', '50°', '46°'], []])
    expect(one!.figure).toBeCloseTo(one!.toM - one!.fromM, 9)
    expect(one!.figure).toBeGreaterThan(0)
  })

  it("a 90 % swing that lands on the next club's number is two ways, the fuller one steeper, and no overlap", () => {
    const flags = flagsOf(bagOf({ '50°': 50, '54°': 54, '58°': 58 }, ['90', 'full'], 'feel'), [
      ['50°', 'full', 124],
      ['54°', 'full', 110],
      ['58°', 'full', 97],
      ['50°', '90', 111],
      ['54°', '90', 104],
      ['58°', '90', 89],
    ])
    expect(said(flags, 'two-ways').map(one => one.cells)).toEqual([
      [
        { clubId: '54°', rungId: 'full' },
        { clubId: '50°', rungId: '90' },
      ],
    ])
    expect(said(flags, 'overlap')).toEqual([])
  })

  it('a believed 125 that carries 137 flies greens by 12', () => {
    const bag = bagOf({ '46°': 46, '50°': 50 }, ['full'])
    const word: CellRemark = {
      id: 'w',
      clubId: '46°',
      rungId: 'full',
      kind: 'believed',
      carryM: yardsToMetres(125),
      why: '',
      saidAtMs: DAY_MS - 1,
      holds: true,
    }
    const [flag] = said(
      calibrated(
        bag,
        [...tenBalls('46°', 'full', 137), ...tenBalls('50°', 'full', 124)],
        {},
        { flags: {}, withinM: yardsToMetres(3), method: 'monitor', neutralAir: true, words: [word] },
      ).findings,
      'believed-wrong',
    )
    expect(flag).toMatchObject({ sureness: 'sure', cells: [{ clubId: '46°', rungId: 'full' }] })
    expect(flagText(flag!, names, 'yd').why).toBe(
      '46° full is believed to be 125 yd and is 137 yd: trusted, it lands 12 yd over the back.',
    )
  })

  it('a belief that is a span is wrong by how far its nearer end is off, short of it or beyond', () => {
    const of = (yd: number, toYd: number) => {
      const belief = { carryM: yardsToMetres(yd), carryToM: yardsToMetres(toYd) }
      const said = new Map([['a/full', { believed: belief }]]) as unknown as GapFacts['said']
      return find('believed-wrong', factsOf([], 0.9, { chart: [cellOf('a', 'full', 100)], said }))
    }
    const [long] = of(115, 120)
    expect(long).toMatchObject({ variant: 'span-long', sureness: 'sure' })
    expect(long!.figure).toBeCloseTo(yardsToMetres(-15), 9)
    expect(long!.data.offM).toBeCloseTo(yardsToMetres(15), 9)
    const [short] = of(80, 88)
    expect(short).toMatchObject({ variant: 'span' })
    expect(short!.figure).toBeCloseTo(yardsToMetres(12), 9)
    expect(of(97, 120)).toEqual([])
  })

  it('a belief is likely wrong by 999 in 1,000, three clubs are crowded by nine in ten', () => {
    const { withinM } = factsOf([], 0.9)
    const cell = cellOf('a', 'full', 100)
    const [carryM, sdM] = [cell.carryM!, 1]
    const measured = { ...cell, certainty80M: [carryM - Z_80 * sdM, carryM + Z_80 * sdM] as [number, number] }
    const believed = (sds: number) => {
      const belief = { carryM: carryM + withinM + sds * sdM }
      const said = new Map([['a/full', { believed: belief }]]) as unknown as GapFacts['said']
      return find('believed-wrong', factsOf([], 0.9, { chart: [measured], said })).map(one => one.sureness)
    }
    // Φ(3.05) is 0.99886, Φ(3.15) 0.99918 (any table of the normal distribution).
    expect([believed(3.05), believed(3.15), believed(4)]).toEqual([[], ['likely'], ['sure']])
    const row = ['a', 'b', 'c'].map((id, i) => cellOf(id, 'full', 110 + i))
    const crowded = (probability: number) => find('crowded', ofChart(row, {}, probability)).map(one => one.sureness)
    expect([crowded(0.895), crowded(0.905), crowded(0.94)]).toEqual([['open'], ['likely'], ['sure']])
  })

  it('a stock shot of one club swung further that carries no further is out of order', () => {
    const flags = flagsOf(bagOf({ '50°': 50, '56°': 56 }, ['9:00', '10:00']), [
      ['50°', '9:00', 85],
      ['50°', '10:00', 72],
      ['56°', '9:00', 60],
      ['56°', '10:00', 72],
    ])
    expect(said(flags, 'out-of-order').map(one => [one.variant, one.cells.map(cell => cell.rungId)])).toEqual([
      ['swing', ['9:00', '10:00']],
    ])
  })
})

describe('the descent of a usual strike', () => {
  it('is steeper for more loft and for more carry, and not known outside what strikes are known of', () => {
    const at = (loft: number, yd: number) => descentDeg(loft, yardsToMetres(yd))!
    expect(at(60, 74)).toBeGreaterThan(at(56, 74))
    expect(at(50, 112)).toBeGreaterThan(at(50, 60))
    expect(descentDeg(27, 150)).toBeNull()
    expect(descentDeg(60, 900)).toBeNull()
    expect(descentDeg(56, 91.44)).toBe(descentDeg(56, 91.44))
  })
})

describe('flags that count', () => {
  it("few balls: all in one, by the coach's figure", () => {
    const chart = [
      cellOf('a', 'full', 90, { balls: 2 }),
      cellOf('b', 'full', 70, { balls: 1 }),
      cellOf('c', 'full', 50),
      cellOf('d', 'full', 40, { kind: 'predicted', balls: 0 }),
    ]
    expect(find('thin', ofChart(chart)).map(one => one.cells.map(cell => cell.clubId))).toEqual([['a', 'b']])
    expect(find('thin', ofChart(chart))).toMatchObject([{ fromM: yardsToMetres(70), toM: yardsToMetres(90) }])
    expect(find('thin', ofChart(chart), { leastBalls: 6 })[0]!.cells).toHaveLength(3)
    expect(find('thin', ofChart(chart.slice(2)))).toEqual([])
    // Before enough is known, everything is thinly measured.
    expect(find('thin', ofChart(chart, { goodEnough: false }))).toEqual([])
  })

  it('old numbers: from the day after the limit', () => {
    const chart = [cellOf('a', 'full', 90), cellOf('b', 'full', 70, { lastHitMs: DAY_MS - 30 * DAY })]
    expect(find('stale', ofChart(chart, { nowMs: DAY_MS + 30 * DAY }))).toEqual([])
    expect(find('stale', ofChart(chart, { nowMs: DAY_MS + 31 * DAY }))[0]).toMatchObject({
      cells: [{ clubId: 'b' }],
      data: { oldestDays: 61, staleDays: 60 },
    })
    expect(find('stale', ofChart(chart, { nowMs: DAY_MS + 61 * DAY }))[0]!.cells).toHaveLength(2)
  })

  it('nothing under: where the ladder begins above the floor', () => {
    expect(find('no-floor', factsOf(ladderOf(50, 70)))).toEqual([])
    expect(find('no-floor', factsOf(ladderOf(51, 70)))).toHaveLength(1)
    expect(find('no-floor', factsOf(ladderOf(51, 70)), { floorM: yardsToMetres(60) })).toEqual([])
  })

  it('the step to the first longer club, unless a club in between has no number yet', () => {
    const chart = [
      cellOf('9 iron', 'full', 130),
      cellOf('5 iron', 'full', 165, { plain: true }),
      cellOf('7 iron', 'full', 150, { plain: true }),
    ]
    expect(find('step', ofChart(chart))).toMatchObject([
      { sureness: 'sure', cells: [{ clubId: '9 iron' }, { clubId: '7 iron' }] },
      { sureness: 'sure', cells: [{ clubId: '7 iron' }, { clubId: '5 iron' }] },
    ])
    expect(find('step', ofChart(chart.slice(0, 1)))).toEqual([])
    expect(find('step', ofChart([chart[0]!, cellOf('8 iron', 'full', 141, { plain: true })]))).toEqual([])
  })
})

describe('numbers that the coach wrote', () => {
  const bag = bagOf({ '46°': 46, '50°': 50, '54°': 54, '6 iron': 28 }, ['half', 'full'], 'arm')
  const word = (clubId: string, rungId: string, yd: number): CellRemark => ({
    id: `${clubId} ${rungId}`,
    kind: 'written',
    clubId,
    rungId,
    carryM: yardsToMetres(yd),
    why: '',
    saidAtMs: 0,
    holds: true,
  })
  const shots = [
    ...tenBalls('46°', 'full', 120),
    ...tenBalls('50°', 'full', 110),
    ...tenBalls('54°', 'full', 100),
    ...tenBalls('54°', 'half', 58),
  ]
  const withWords = (words: CellRemark[], more: Partial<CalibrationOptions> = {}) =>
    calibrated(bag, shots, { level: 'good' }, { ...USUAL_OPTIONS, words, ...more })
  const stepOf = ({ ladder }: ReturnType<typeof withWords>, clubId: string, rungId = 'full') =>
    ladder.find(step => step.clubId === clubId && step.rungId === rungId)!

  it('are the numbers of ladder, cover and steps; their doubt and scatter stay those of the balls', () => {
    const [by, read] = [withWords([]), withWords([word('50°', 'full', 104)])]
    expect(stepOf(read, '50°')).toMatchObject({ written: true, carryM: yardsToMetres(104) })
    expect(stepOf(read, '46°').stepM).toBeGreaterThan(yardsToMetres(14))
    const [before, now] = [by, read].map(one =>
      one.cover.shots.find(shot => shot.clubId === '50°' && shot.rungId === 'full' && !shot.grippedDown),
    )
    expect(now!.carryM).toBeCloseTo(yardsToMetres(104), 9)
    expect(now!.certaintySdM / now!.carryM).toBeCloseTo(before!.certaintySdM / before!.carryM, 9)
    expect(said(read.findings, 'step').map(one => one.cells.map(cell => cell.clubId))).toContainEqual(['50°', '46°'])
    expect(said(by.findings, 'step').map(one => one.cells.map(cell => cell.clubId))).not.toContainEqual(['50°', '46°'])
    // The balls' own number stays on the chart, and stands beside the written one.
    expect(read.chart).toEqual(by.chart)
    expect(read.written).toMatchObject([{ written: true, ballsM: atCell(by.chart, '50°', 'full').carryM }])
  })

  it('give way where the coach asks how the balls have it', () => {
    const words = [word('50°', 'full', 104)]
    expect(withWords(words, { asBalls: true }).ladder).toEqual(withWords([]).ladder)
  })

  it('with no ball behind them are named instead of odds', () => {
    const { findings, ladder } = withWords([word('6 iron', 'full', 170)])
    expect(ladder.at(-1)).toMatchObject({ clubId: '6 iron', written: true, plain: true, balls: 0 })
    const top = findings.find(one => one.flag === 'step' && one.cells.at(-1)!.clubId === '6 iron')!
    expect(top).toMatchObject({ sureness: 'written', probability: null })
    expect(flagText(top, names, 'yd').odds).toBe('By the written number')
  })
})

describe('flags with odds', () => {
  const sides = (more: Partial<GapFacts['sides']>): Partial<GapFacts> => ({
    sides: { bias: [], variance: [], sd: 0.05, playerBias: 0, playerVariance: 1e-4, measured: 40, ...more },
  })

  it('bias to a side: beyond the limit, by odds, and to which', () => {
    expect(find('side-bias', factsOf([], 0.9, sides({ playerBias: 0.06 })))).toMatchObject([
      { flag: 'side-bias', sureness: 'sure', data: { sideN: 33, sidesN: 40 } },
    ])
    expect(find('side-bias', factsOf([], 0.9, sides({ playerBias: 0.06 })))[0]!.variant).toBeUndefined()
    expect(find('side-bias', factsOf([], 0.9, sides({ playerBias: -0.035 })))).toMatchObject([
      { variant: 'left', sureness: 'likely', data: { sideN: 7, sidesN: 40 } },
    ])
    expect(find('side-bias', factsOf([], 0.9, sides({ playerBias: 0.025 })))).toEqual([])
    expect(find('side-bias', factsOf([], 0.9, sides({ playerBias: 0.045, measured: 4 })))).toEqual([])
  })

  it('wide: against the level, with enough sides', () => {
    expect(find('wide', factsOf([], 0.9, { level: 'expert', ...sides({ sd: 0.07 }) }))).toHaveLength(1)
    expect(find('wide', factsOf([], 0.9, { level: 'beginner', ...sides({ sd: 0.07 }) }))).toEqual([])
    expect(find('wide', factsOf([], 0.9, { level: 'expert', ...sides({ sd: 0.07, measured: 7 }) }))).toEqual([])
  })

  it('wide: likely before it is sure, by the odds that are said, and as wide as the figure says', () => {
    const steps = Array.from({ length: 60 }, (_, i) => 0.03 + 0.001 * i)
    const said = steps.flatMap(sd => find('wide', factsOf([], 0.9, { level: 'expert', ...sides({ sd }) })))
    expect([...new Set(said.map(({ sureness }) => sureness))]).toEqual(['likely', 'sure'])
    for (const { sureness, probability, figure, data } of said) {
      expect(probability).toBeGreaterThanOrEqual(0.95)
      expect(sureness).toBe(probability! >= 0.99 ? 'sure' : 'likely')
      expect(data.usualPercent).toBeCloseTo(128.16 * SIDE_OF_LEVEL.expert, 1)
      // Eight in ten of a normal scatter lie within 1.2816 of its standard deviation, either way.
      expect(data.eitherPercent).toBeCloseTo(128.16 * figure, 1)
    }
    expect(said.map(({ figure }) => figure)).toEqual(steps.slice(-said.length))
  })

  it('a longer club by its own balls: longer, broader or both, and never without a level', () => {
    const shot = { clubId: 'c1', rungId: 'full' }
    const wide = (along: number, across: number | null, level: GapFacts['level'] = 'good') => {
      const longer = [
        {
          ...shot,
          along: { times: along, degrees: 40 },
          across: across === null ? null : { times: across, degrees: 40 },
        },
      ]
      const cells = [cellOf('c0', 'full', 140, { plain: true }), cellOf('c1', 'full', 150, { plain: true })]
      return find('wide', ofChart(cells, { longer, level, odds: factsOf([]).odds }))
    }
    const said = (...args: Parameters<typeof wide>) =>
      wide(...args).map(({ variant, sureness }) => `${variant} ${sureness}`)
    expect(said(1, 1)).toEqual([])
    expect(said(2, 1)).toEqual(['club-long sure'])
    expect(said(2, null)).toEqual(['club-long sure'])
    expect(said(1, 2)).toEqual(['club-broad sure'])
    expect(said(2, 2)).toEqual(['club-both sure'])
    expect(said(1.6, 1)).toEqual(['club-long likely'])
    expect(said(2, 2, 'unknown')).toEqual([])
    // It is about that club, by how much, and of two things the one that is less sure.
    const [both] = wide(2.5, 1.6) as [Finding]
    expect(both.cells).toEqual([shot])
    expect(both.data.longerPercent).toBeCloseTo(150, 9)
    expect(both.data.broaderPercent).toBeCloseTo(60, 9)
    expect([both.fromM, both.toM]).toEqual([both.data.shorterM, both.data.shorterM])
    expect(both.figure).toBe(2.5)
    expect(both.probability).toBe(wide(1, 1.6)[0]!.probability)
    expect(both.probability).toBeLessThan(wide(2.5, 1)[0]!.probability!)
    expect([wide(1, 1.8)[0]!.figure, wide(1.7, null)[0]!.figure]).toEqual([1.8, 1.7])
    expect(wide(2, null)[0]!.data.broaderPercent).toBe(0)
  })

  it('looser than the level is said apart, and never without a level', () => {
    const at = (level: GapFacts['level'], ln: number) =>
      find('loose', factsOf([], 0.1, { level, spread: { ln, degrees: 40 } })).map(one => one.variant)
    expect(at('expert', 0.04)).toEqual(['level'])
    expect(at('expert', 0.022)).toEqual([])
    expect(at('unknown', 0.09)).toEqual([])
    const [twice] = find('loose', factsOf([], 0.1, { level: 'expert', spread: { ln: 0.05, degrees: 40 } }))
    const times = (0.05 / SPREAD_OF_LEVEL.expert).toFixed(1)
    expect(flagText(twice!, names, 'yd').why).toBe(
      `Clean balls scatter ${times} times as wide as is usual for the player’s level.`,
    )
  })

  it('looser has to be so much more where many balls are mishit: the lesser mishits pass for scatter', () => {
    const of = (mishitShare: number, ln = 0.046) =>
      find(
        'loose',
        factsOf([], 0.1, {
          level: 'good',
          spread: { ln, degrees: 100 },
          scatter: { mishitShare, spread: 0.033, sideShare: 0.05, sideBias: 0 },
        }),
      )
    expect([of(0.02), of(0.07)].map(found => found[0]?.sureness)).toEqual(['sure', 'sure'])
    expect(of(0.02)[0]!.probability).toBe(of(0.07)[0]!.probability)
    expect(of(0.3)).toEqual([])
    expect(of(0.3, 0.08)).toHaveLength(1)
  })

  describe('two clubs that carry the same with every swing length', () => {
    const SWINGS = ['half', '9:00', 'full']
    const club = (id: string, yards: (number | null)[]) =>
      yards.flatMap((yd, i) => (yd === null ? [] : [cellOf(id, SWINGS[i]!, yd)]))
    const jobs = (chart: ChartCell[], probability = 0.95) =>
      find('crowded', ofChart(chart, {}, probability)).filter(one => one.variant === 'clubs')

    it('do one job: said once for all lengths, shortest first, with their names', () => {
      const [one, ...more] = jobs([...club('a', [50, 70, 90]), ...club('b', [52, 69, 93]), ...club('c', [60, 80, 101])])
      expect(more).toEqual([])
      expect(one!.cells.map(cell => `${cell.clubId} ${cell.rungId}`)).toEqual([
        'a half',
        'b half',
        'b 9:00',
        'a 9:00',
        'a full',
        'b full',
      ])
      expect([one!.sureness, one!.probability, one!.data.lengths]).toEqual(['sure', 0.95, 3])
      // 2, −1 and 3 apart: 4/3 on average.
      expect(one!.figure).toBeCloseTo(yardsToMetres(4 / 3), 9)
      expect([one!.fromM, one!.toM]).toEqual([yardsToMetres(50), yardsToMetres(93)])
      expect(flagText(one!, names, 'yd').title).toBe('a and b do one job')
      expect(flagText(one!, names, 'yd').why).toContain('over 3 swing lengths, a and b carry the same to within 4 yd')
    })

    it('are named as they stand in the bag, whichever carries a yard less', () => {
      const bag = bagOf({ c: 50, a: 46, b: 48 }, SWINGS)
      const chart = [...club('c', [50, 70, 91]), ...club('b', [51, 70, 90]), ...club('a', [52, 71, 90])]
      const [one] = find('crowded', ofChart(chart, { bag })).filter(({ variant }) => variant === 'clubs')
      expect(flagText(one!, names, 'yd').title).toBe('a, b and c do one job')
      expect([one!.fromM, one!.toM]).toEqual([yardsToMetres(50), yardsToMetres(91)])
    })

    it('are not said of two lengths, of one length far apart, of clubs that differ on average, nor with poor odds', () => {
      const a = club('a', [50, 70, 90])
      expect(jobs([...a, ...club('b', [50, null, 90])])).toEqual([])
      expect(jobs([...a, ...club('b', [59, 66, 86])])).toEqual([])
      expect(jobs([...a, ...club('b', [55, 75, 95])])).toEqual([])
      expect(jobs([...a, ...club('b', [50, 70, 90])], 0.93)).toEqual([])
      // At the limits themselves they are.
      expect(jobs([...a, ...club('b', [58, 70, 90])])).toHaveLength(1)
      expect(jobs([...a, ...club('b', [54, 74, 94])])).toHaveLength(1)
    })

    it('three such clubs are one flag, and what is said of one length of theirs is its part', () => {
      const chart = ['a', 'b', 'c'].flatMap((id, i) => club(id, [50 + i, 70 + i, 90 + i]))
      expect(jobs(chart).map(one => one.cells.length)).toEqual([9])
      const all = oneFactOneFlag([...find('crowded', ofChart(chart)), ...find('overlap', ofChart(chart))])
      expect(all.map(one => one.variant)).toEqual(['clubs'])
      expect(all[0]!.parts!.length).toBeGreaterThan(3)
    })

    it('of a chain of three the ends are not said to be the same: each two are a flag of their own', () => {
      const chain = ['a', 'b', 'c'].flatMap((id, i) => club(id, [50 + 3 * i, 70 + 3 * i, 90 + 3 * i]))
      const clubsOf = (found: Finding[]) => found.map(one => [...new Set(one.cells.map(cell => cell.clubId))].sort())
      expect(clubsOf(jobs(chain))).toEqual([
        ['a', 'b'],
        ['b', 'c'],
      ])
      // Two pairs that a third pair joins are one, where all are the same.
      const four = ['a', 'b', 'c', 'd'].flatMap((id, i) => club(id, [50 + i, 70 + i, 90 + i]))
      expect(clubsOf(jobs(four))).toEqual([['a', 'b', 'c', 'd']])
    })

    it('is learnt from balls: ten with each of six', () => {
      const flags = flagsOf(bagOf({ '54°': 54, '56°': 56, '60°': 60 }, ['half', '9:00', 'full'], 'arm'), [
        ['54°', 'half', 54],
        ['56°', 'half', 53],
        ['54°', '9:00', 76],
        ['56°', '9:00', 76],
        ['54°', 'full', 96],
        ['56°', 'full', 95],
        ['60°', 'full', 80],
      ])
      const found = said(flags, 'crowded').filter(one => one.variant === 'clubs')
      expect(found.map(one => [...new Set(one.cells.map(cell => cell.clubId))].sort())).toEqual([['54°', '56°']])
    })
  })

  it('misses short when trusted: by the count of misses, not of balls', () => {
    const of = (offsM: number[]) => find('short-bias', factsOf([], 0.9, { trusted: { offsM } }))
    const misses = [...Array<number>(18).fill(-5), -24, 4, 0, 0, 1]
    expect(of(misses)).toMatchObject([{ data: { missesN: 20, shortN: 19, meanM: 6 }, figure: 19 / 20 }])
    // By 199 in 200: strikes fall short more than they run long. Beta(18, 2) above two thirds is 0.99526.
    const short = (n: number) => of([...Array<number>(n).fill(-5), 4])
    expect([short(17).length, short(16).length]).toEqual([1, 0])
    expect(of([-5, -5, -5, 5, 5])).toEqual([])
    expect(of([-1, -2, 2, 1])).toEqual([])
  })

  it('misses count from the moment on that the chart was published', () => {
    const hit = balls('52°', 'full', Array<number>(20).fill(84))
    // One that was left out, and a pile, are no misses of a ball.
    const last = { ...hit[19]!, hitAtMs: hit[19]!.hitAtMs + 60_000 }
    const shots = [...hit, { ...last, id: 'out', leftOut: 'mishit' }, { ...last, id: 'pile', balls: 5 }]
    const published = (publishedAtMs: number) => ({
      publishedAtMs,
      cells: [{ clubId: '52°', rungId: 'full', carryM: yardsToMetres(95), modelM: yardsToMetres(95), lnVariance: -7 }],
    })
    const missed = (publishedAtMs: number) =>
      calibrated(bagOf({ '52°': 52 }, ['full']), shots, {}, { ...USUAL_OPTIONS, published: published(publishedAtMs) })
        .findings.filter(one => one.flag === 'short-bias')
        .map(one => one.data.missesN)
    expect(missed(hit[0]!.hitAtMs - 1)).toEqual([20])
    // The seventh was hit in that very moment: thirteen came after it.
    expect(missed(hit[6]!.hitAtMs)).toEqual([13])
    expect(missed(hit[19]!.hitAtMs)).toEqual([])
  })

  it("how wide a longer club lies is its own balls' variance, drawn to the level by the balls that the level is worth", () => {
    const sides = Array.from({ length: 24 }, (_, i) => 0.04 + (i % 2 === 0 ? 0.16 : -0.16))
    const shots = sides.map((side, i) => ({
      ...balls('7 iron', 'full', [150])[0]!,
      id: `${i}`,
      hitAtMs: DAY_MS + i,
      sideM: side * yardsToMetres(150),
    }))
    const bag = bagOf({ '7 iron': 31, '52°': 52 }, ['full'])
    const [wide] = calibrated(bag, [...shots, ...tenBalls('52°', 'full', 100)], { level: 'good' }).findings.filter(
      one => one.flag === 'wide' && one.cells.length > 0,
    )
    const usual = SIDE_OF_LEVEL.good
    const variance = (SIDE.priorBalls * usual ** 2 + 24 * 0.16 ** 2) / (SIDE.priorBalls + 23)
    expect(wide!.data.broaderPercent).toBeCloseTo(100 * (Math.sqrt(variance) / usual - 1), 6)
  })

  it('flyers: club by club', () => {
    const chart = [cellOf('a', 'full', 90), cellOf('a', 'half', 60), cellOf('b', 'full', 110)]
    const flyers = new Map([
      ['a/full', { balls: 20, flyers: 6 }],
      ['a/half', { balls: 20, flyers: 4 }],
      ['b/full', { balls: 40, flyers: 1 }],
    ])
    expect(find('flyer-prone', ofChart(chart, { flyers }))).toMatchObject([
      { cells: [{ clubId: 'a' }, { clubId: 'a' }], data: { ballsN: 40, flyersN: 10 } },
    ])
    const more = Array.from({ length: 21 }, (_, n) =>
      find('flyer-prone', ofChart(chart, { flyers: new Map([['a/full', { balls: 40, flyers: n }]]) })),
    ).flat()
    expect([...new Set(more.map(({ sureness }) => sureness))]).toEqual(['likely', 'sure'])
    for (const { sureness, probability, figure, data } of more) {
      expect(sureness).toBe(probability! >= SAY.biasSure ? 'sure' : 'likely')
      expect(figure).toBe(data.flyersN! / 40)
    }
  })

  it('moved: as the comparison with the published chart says', () => {
    const one = { clubId: 'a', rungId: 'full', fromM: 80, toM: 88, balls: 6, evidence: 200, moved: true, certain: true }
    const of = (more: object) =>
      find('moved', factsOf([], 0.9, { moved: [{ ...one, ...more }] })).map(flag => flag.sureness)
    expect(find('moved', factsOf([], 0.9, { moved: [one] }))).toMatchObject([
      { probability: 0.995, data: { wasM: 80, isM: 88, ballsSince: 6 }, fromM: 80, toM: 88, figure: 8 },
    ])
    expect(find('moved', factsOf([], 0.9, { moved: [{ ...one, toM: 71 }] }))).toMatchObject([
      { fromM: 71, toM: 80, figure: -9 },
    ])
    expect([of({}), of({ evidence: 30 }), of({ evidence: 12 }), of({ evidence: null }), of({ balls: 1 })]).toEqual([
      ['sure'],
      ['likely'],
      [],
      [],
      [],
    ])
  })
})

describe('weak and missing yards', () => {
  const own = { looseness: 1, degrees: 40, sideBias: 0, sideBiasSd: 0.008, balls: 30, mishits: 2, practised: 0 }
  const weakOf = (more: Partial<typeof own>, at = run()) =>
    find('weak', { ...facts(at), ownScatter: () => ({ ...own, ...more }) })

  it('weak is a shot that leaves clearly more than this player does at its distance, by odds, and says why', () => {
    expect(weakOf({})).toEqual([])
    expect(weakOf({ looseness: 5 })).toMatchObject([{ sureness: 'sure', cells: [{ clubId: 'a' }] }])
    expect(weakOf({ mishits: 20 })).toMatchObject([{ variant: 'mishits' }])
    expect(weakOf({ sideBias: -0.09 })).toMatchObject([{ variant: 'side' }])
    const [{ data }] = weakOf({ sideBias: -0.09 }) as [Finding]
    expect(data.sideM).toBeCloseTo(0.09 * shot.carryM, 9)
    expect(data.leaveM! / data.couldM!).toBeCloseTo(data.overTimes!, 9)
    // Of 30 balls 20 were mishit: nearly as many in a hundred are said, drawn a little to the player's usual 7.
    const [mishit] = weakOf({ mishits: 20 }) as [Finding]
    expect(mishit.data.mishitPercent).toBeGreaterThan(40)
    expect(mishit.data.mishitPercent).toBeLessThan(66.7)
    expect(mishit.data.usualPercent).toBeCloseTo(7, 9)
    expect(mishit.figure).toBeCloseTo(mishit.data.leaveM!, 9)
    // The more balls it was counted from, the surer: doubt goes both ways.
    const odds = (balls: number) => weakOf({ balls, mishits: balls / 2 })[0]?.probability ?? 0
    expect(odds(60)).toBeGreaterThan(odds(14))
  })

  it('weak is likely before it is sure, by its own odds', () => {
    const all = Array.from({ length: 60 }, (_, i) => weakOf({ looseness: 1 + i / 12 })).flat()
    const odds = (sureness: string) => all.filter(one => one.sureness === sureness).map(one => one.probability!)
    expect(odds('likely').length).toBeGreaterThan(0)
    expect(odds('sure').length).toBeGreaterThan(0)
    expect(Math.max(...odds('likely'))).toBeLessThan(Math.min(...odds('sure')))
  })

  it('weak needs odds: the same scatter from few balls is not said', () => {
    expect(weakOf({ looseness: 5, degrees: 60 })).toHaveLength(1)
    expect(weakOf({ looseness: 5, degrees: 3 })).toEqual([])
    expect(weakOf({ sideBias: -0.09, sideBiasSd: 0.05 })).toEqual([])
    expect(weakOf({ balls: 3, mishits: 2 })).toEqual([])
  })

  it('weak is never a seam of two yards, nor a shot gripped down, nor one without a ball', () => {
    expect(weakOf({ looseness: 5 }, run().slice(0, 2))).toEqual([])
    expect(
      find('weak', { ...facts(run(), { grippedDown: true }), ownScatter: () => ({ ...own, looseness: 5 }) }),
    ).toEqual([])
    expect(find('weak', facts(run()))).toEqual([])
  })

  it('thin or old is unproven: a stretch with its shot, and the balls that would settle it', () => {
    expect(unprovenOf(facts(run()))).toEqual([])
    const [thin] = unprovenOf(facts(run(), { certaintySdM: 4 }))
    expect(thin).toMatchObject({ why: 'thin', fromM: run()[0]!.atM, toM: run().at(-1)!.atM })
    expect(thin!.plusMinusM).toBeCloseTo(4 * 1.2816, 3)
    // So many clean balls leave a doubt of no more than what is wanted: precisions add up.
    const { scatterSdM } = facts(run()).cover.shots[0]!
    const after = (balls: number) => 1.2816 / Math.sqrt(1 / 16 + (0.9 * balls) / scatterSdM ** 2)
    const { withinM } = facts(run())
    const needed = thin!.balls!
    expect(after(needed)).toBeLessThanOrEqual(withinM * 1.001)
    expect(needed === 1 || after(needed - 1) > withinM).toBe(true)
    // Where range balls leave a part of it they need more, and none do where they leave all that is wanted.
    const leaving = (share: number) =>
      unprovenOf(facts(run(), { certaintySdM: 4 }), {}, () => (share * withinM) / 1.2816)
    expect(leaving(0.9)[0]!.balls!).toBeGreaterThan(needed)
    expect(leaving(1.01)[0]!.balls).toBeNull()
    expect(unprovenText(leaving(1.01), 'yd', () => '51° full')).toMatch(
      /^Not proven yet: \d+ to \d+ \(51° full, ± 6 yd: the ball you play has to settle it, range balls cannot\)\.$/,
    )
    expect(unprovenOf(facts(run(), {}, DAY_MS + 90 * DAY))).toMatchObject([{ why: 'old', balls: 2, days: 90 }])
    expect(unprovenOf(facts(run(), {}, DAY_MS + 90 * DAY), { staleDays: 90 })).toEqual([])
    expect(unprovenOf(facts(run().slice(0, 2), { certaintySdM: 4 }))).toEqual([])
    expect(unprovenOf(facts(run({ hole: 'sure' }), { certaintySdM: 4 }))).toEqual([])
    expect(unprovenText([thin!], 'yd', () => '51° full')).toMatch(
      /^Not proven yet: \d+ to \d+ \(51° full, ± 6 yd: about \d+ balls?\)\.$/,
    )
    expect(unprovenText([], 'yd', () => '')).toBe('')
  })

  it('a hole is a stretch, sure when a third of its yards are, and open when fewer are', () => {
    const flags = find(
      'hole',
      facts([
        yard(80),
        yard(81, { hole: 'open', leaveM: 7 }),
        yard(82, { hole: 'sure', leaveM: 8 }),
        yard(83),
        yard(84, { hole: 'open', leaveM: 7 }),
        yard(85, { hole: 'open', leaveM: 7 }),
        yard(86),
        yard(87, { hole: 'open' }),
        yard(88),
        ...[89, 90, 91].map(at => yard(at, { hole: 'open', leaveM: 7 })),
        yard(92, { hole: 'sure', leaveM: 8 }),
        yard(93),
        // Three of ten are less than a third, one of three is one.
        ...Array.from({ length: 10 }, (_, i) => yard(94 + i, { hole: i < 3 ? 'sure' : 'open', leaveM: 7 })),
        yard(104),
        ...Array.from({ length: 3 }, (_, i) => yard(105 + i, { hole: i < 1 ? 'sure' : 'open', leaveM: 7 })),
      ]),
    )
    expect(flags.map(one => [one.sureness, Math.round(one.fromM / 0.9144), Math.round(one.toM / 0.9144)])).toEqual([
      ['sure', 81, 82],
      ['open', 84, 85],
      ['open', 89, 92],
      ['open', 94, 103],
      ['sure', 105, 107],
    ])
  })
})

describe("a coach's answer", () => {
  const finding: Finding = {
    flag: 'step',
    sureness: 'sure',
    probability: 0.99,
    cells: [
      { clubId: 'a', rungId: 'r' },
      { clubId: 'b', rungId: 'r' },
    ],
    data: {},
    fromM: 60,
    toM: 76,
    figure: 16,
  }
  const answer = (more: Partial<FlagAnswer> = {}): FlagAnswer => ({
    id: 'x',
    flag: 'step',
    cells: finding.cells,
    fromM: 60,
    toM: 76,
    figure: 16,
    answer: 'accepted',
    untilMs: null,
    note: '',
    saidAtMs: 1000,
    holds: true,
    ...more,
  })
  const state = (of: Finding, ...all: FlagAnswer[]) => answered([of], all, 5_000)[0]!

  it('settles the flag until its figure has really changed', () => {
    expect(state(finding)).toMatchObject({ settled: false, answer: null })
    expect(state(finding, answer())).toMatchObject({ settled: true, lapsed: null })
    expect(state({ ...finding, figure: 18.7 }, answer())).toMatchObject({ settled: true })
    expect(state({ ...finding, figure: 18.8 }, answer())).toMatchObject({ settled: false, lapsed: 'changed' })
    // A smaller step is another one too: the answer was to a step of sixteen.
    expect(state({ ...finding, figure: 13.2 }, answer())).toMatchObject({ settled: false, lapsed: 'changed' })
    expect(
      state(
        {
          ...finding,
          cells: [
            { clubId: 'a', rungId: 'r' },
            { clubId: 'c', rungId: 'r' },
          ],
        },
        answer(),
      ),
    ).toMatchObject({ settled: false, answer: null })
  })

  it('of what is worked on holds until its day; a later answer takes its place, and can be taken back', () => {
    expect(state(finding, answer({ answer: 'working', untilMs: 6_000 }))).toMatchObject({ settled: true })
    expect(state(finding, answer({ answer: 'working', untilMs: 4_000 }))).toMatchObject({
      settled: false,
      lapsed: 'time',
    })
    // To the last moment of it, and no other answer has a day.
    expect(state(finding, answer({ answer: 'working', untilMs: 5_000 }))).toMatchObject({ settled: true, lapsed: null })
    expect(state(finding, answer({ untilMs: 4_000 }))).toMatchObject({ settled: true, lapsed: null })
    // Of one rule, another of its forms is another flag.
    expect(state({ ...finding, variant: 'plain' }, answer())).toMatchObject({ settled: false, answer: null })
    // Worked on without a day holds until something changes.
    expect(state(finding, answer({ answer: 'working', untilMs: null }))).toMatchObject({ settled: true, lapsed: null })
    expect(
      state(finding, answer({ answer: 'working', untilMs: 4_000 }), answer({ id: 'y', saidAtMs: 2_000 })),
    ).toMatchObject({ settled: true })
    expect(state(finding, answer({ id: 'y', saidAtMs: 2_000, holds: false }), answer())).toMatchObject({
      settled: false,
      answer: null,
    })
  })

  it('to a stretch holds for the greater part of it, whatever shot is best there; to a list for any part of it', () => {
    const hole = { ...finding, flag: 'hole', figure: 2, cells: [{ clubId: 'z', rungId: 'r' }] }
    const toHole = answer({ flag: 'hole', figure: 2, fromM: 58, toM: 70 })
    expect(state({ ...hole, fromM: 60, toM: 72 }, toHole).settled).toBe(true)
    expect(state({ ...hole, fromM: 66, toM: 90 }, toHole).settled).toBe(false)
    // Half of it is enough, a touch is not; one that is a point is the same point, and one beside it is another.
    expect(state({ ...hole, fromM: 64, toM: 76 }, toHole).settled).toBe(true)
    expect(state({ ...hole, fromM: 70, toM: 80 }, toHole).settled).toBe(false)
    expect(state({ ...hole, fromM: 70, toM: 70 }, toHole).settled).toBe(true)
    expect(state({ ...hole, fromM: 71, toM: 71 }, toHole).settled).toBe(false)
    const thin = { ...finding, flag: 'thin', figure: 1, cells: finding.cells.slice(0, 1) }
    expect(state(thin, answer({ flag: 'thin', figure: 2 })).settled).toBe(true)
    expect(state({ ...thin, figure: 5 }, answer({ flag: 'thin', figure: 2 }))).toMatchObject({ lapsed: 'changed' })
    expect(
      state(
        { ...thin, figure: 3, cells: [...finding.cells, { clubId: 'c', rungId: 'r' }] },
        answer({ flag: 'thin', figure: 2 }),
      ).settled,
    ).toBe(false)
  })

  it('is told with its day, and why it no longer holds', () => {
    expect(answerLine(state(finding, answer({ note: 'his choice', saidAtMs: DAY_MS })))).toBe(
      'Accepted, said on 4 May 2026: his choice.',
    )
    expect(answerLine(state({ ...finding, figure: 30 }, answer({ saidAtMs: DAY_MS })))).toBe(
      'Accepted, said on 4 May 2026. Its figures have changed since.',
    )
    expect(answerLine(state(finding))).toBeNull()
  })

  it('open flags: said, no asset, not settled; those that matter most first', () => {
    const list: Finding[] = [
      { ...finding, flag: 'thin', sureness: 'counted' },
      { ...finding, flag: 'two-ways', sureness: 'likely' },
      { ...finding, flag: 'hole', sureness: 'likely', fromM: 90, toM: 95 },
      finding,
      { ...finding, flag: 'overlap', sureness: 'sure' },
    ]
    const open = openFlags(answered(list, [answer({ flag: 'overlap' })], 5_000))
    expect(open.map(one => one.flag)).toEqual(['step', 'hole'])
    expect(open.map(weightOf)).toEqual([4, 3])
    // Where half of all chances come from it matters twice as much.
    expect(weightOf({ ...finding, asked: 0.5 })).toBe(8)
  })
})

it('a stretch that nothing serves is a hole, and no other flag is', () => {
  const finding = { sureness: 'sure' as const, probability: 1, cells: [], data: {}, fromM: 60, toM: 70, figure: 1 }
  const uncovered = FLAG_RULES.map(({ meta }) => meta.id).filter(flag => isUncovered({ ...finding, flag }))
  expect(uncovered).toEqual(['hole'])
})

it('a rule without an id is told so', () => {
  const [rule] = FLAG_RULES as [(typeof FLAG_RULES)[number]]
  expect(() => checkRules([{ ...rule, meta: { ...rule.meta, id: '' } }])).toThrow(/^a flag without an id: meta\.id/)
})

it('every rule can be worded from what it finds, in both units, in each of its variants', () => {
  const flags = withParts([
    ...flagsOf(bagOf({ '46°': 46, '50°': 50, '54°': 54, '58°': 58 }, ['9:00', '10:00', 'full']), [
      ['46°', 'full', 112],
      ['50°', 'full', 111],
      ['54°', 'full', 110],
      ['58°', 'full', 70],
      ['58°', '9:00', 75],
      ['54°', '9:00', 76],
      ['50°', '9:00', 78],
    ]),
    ...calibrated(bagOf({ '50°': 50 }, ['full', 'half'], 'arm'), balls('50°', 'full', [100])).findings,
  ])
  expect([...new Set(flags.map(one => one.flag))].sort()).toEqual(
    expect.arrayContaining(['crowded', 'hole', 'out-of-order', 'overlap', 'step', 'uneven-lofts']),
  )
  for (const flag of flags) {
    for (const unit of ['yd', 'm'] as const) {
      const { title, why, remedies } = flagText(flag, names, unit)
      for (const text of [title, why, ...remedies]) expect(text).not.toMatch(/[{}]|undefined|NaN/)
    }
  }
  // What no bag above raises is worded from the data its own test hands it.
  const sides = { bias: [], variance: [], sd: 0.09, playerBias: -0.05, playerVariance: 1e-4, measured: 40 }
  const word = (yd: number): Remarks => ({
    believed: {
      id: 'w',
      clubId: 'a',
      rungId: 'full',
      kind: 'believed',
      carryM: yardsToMetres(yd),
      why: '',
      saidAtMs: 0,
      holds: true,
    },
  })
  const facts = ofChart([cellOf('a', 'full', 90), cellOf('b', 'full', 130, { plain: true })], {
    sides,
    level: 'expert',
    spread: { ln: 0.06, degrees: 60 },
    said: new Map([['a/full', word(120)]]),
    trusted: { offsM: Array(20).fill(-6) },
    flyers: new Map([['a/full', { balls: 30, flyers: 12 }]]),
    moved: [{ clubId: 'a', rungId: 'full', fromM: 70, toM: 82, balls: 9, evidence: 400, moved: true, certain: true }],
    nowMs: DAY_MS + 90 * DAY,
  })
  const more = FLAG_RULES.flatMap(rule => rule.find(facts))
  expect(new Set(more.map(one => one.flag))).toEqual(
    new Set([
      'step',
      'moved',
      'believed-wrong',
      'loose',
      'wide',
      'short-bias',
      'side-bias',
      'flyer-prone',
      'stale',
      'no-floor',
    ]),
  )
  expect(more.map(flag => flagText(flag, names, 'yd').why)).toContain(
    'a full is believed to be 120 yd and is 90 yd: trusted, it lands 30 yd short.',
  )
  for (const flag of more) expect(JSON.stringify(flagText(flag, names, 'm'))).not.toMatch(/[{}]\w|undefined|NaN/)
})
