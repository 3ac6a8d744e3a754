import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cellKey } from '../../core/bag/bag'
import { calibrate } from '../../core/calibration/calibrate'
import { oddsOff, remarksAt, type CellRemark } from '../../core/history/coach-remarks'
import { comparePlayers } from '../../core/history/compare-players'
import { compareCharts, MOVED_EVIDENCE } from '../../core/history/compare'
import { runAfterM, runBeforeM } from '../../core/corrections/pitched'
import { callAt, clubsBySpeed, speedFor } from '../../core/chart/speed-lines'
import { figureOf, lnVariances, publish, type PublishedWhich } from '../../core/history/published'
import type { AnyStageShot } from './players'
import { distanceText, mphToMps, yardsToMetres } from '../../core/units'
import { beliefCostText, contradictionText, missAsRead, patternText } from '../../words/believed'
import { changesText } from '../../words/changes'
import { figuresText, heldBackText, sentText } from '../../words/published'
import { inAir, inOrder } from '../../core/history/hand-over'
import { EXPERT_BAG as bag, expertVisits } from './expert'
import { balls, bagOf, calibrated, DAY_MS, tenBalls } from './players'

const at = (clubId: string, rungId: string) => ({ clubId, rungId })
const head = { number: 1, publishedAtMs: DAY_MS, unit: 'yd' as const, note: '', changed: '' }
const word = (
  kind: CellRemark['kind'],
  carryYd: number | null,
  saidAtMs: number,
  more: Partial<CellRemark> = {},
): CellRemark => ({
  id: `${kind} ${saidAtMs}`,
  ...at('52°', 'full'),
  kind,
  carryM: carryYd === null ? null : yardsToMetres(carryYd),
  why: '',
  saidAtMs,
  holds: true,
  ...more,
})

describe('what is said of a stock shot', () => {
  it('holds from its moment, the last of a kind counts, and what is taken back is gone', () => {
    const words = [word('written', 110, 3), word('written', 108, 1), word('written', null, 5, { holds: false })]
    const writtenAt = (ms: number) => remarksAt(words, ms).get('52°/full')?.written?.carryM
    expect([0, 1, 2, 3, 4, 5].map(writtenAt).map(m => m && distanceText(m, 'yd'))).toEqual([
      undefined,
      '108',
      '108',
      '110',
      '110',
      undefined,
    ])
  })

  it('keeps the first belief for ever beside the newest', () => {
    const said = remarksAt(
      [word('believed', 100, 1), word('believed', 104, 2), word('believed', null, 3, { holds: false })],
      9,
    ).get('52°/full')!
    expect([said.believedFirst, said.believed].map(one => one && distanceText(one.carryM!, 'yd'))).toEqual([
      '100',
      undefined,
    ])
  })

  it('gives the odds that a number is off as a normal table does: 1.96 standard deviations away, 1 in 40 lies beyond', () => {
    // Standard normal table: 80 % within 1.2816, 97.5 % below 1.96.
    const cell = { balls: 5, carryM: 100, certainty80M: [100 - 1.2815515655, 100 + 1.2815515655] as [number, number] }
    expect(oddsOff(cell, 100 + 1.959964 + 50, 50)).toBeCloseTo(0.975, 5)
    expect(oddsOff(cell, 100, 1.2815515655)).toBeCloseTo(0.2, 6)
    expect(oddsOff({ ...cell, balls: 0 }, 60, 3)).toBeNull()
  })

  it('never feeds the model', () => {
    const shots = tenBalls('52°', 'full', 110)
    const published = publish(calibrated(bag, shots), remarksAt([word('written', 60, 1)], DAY_MS), head)
    const bare = publish(calibrated(bag, shots), new Map(), head)
    expect(published.cells.map(cell => cell.modelM)).toEqual(bare.cells.map(cell => cell.modelM))
    expect(published.cells.find(cell => cell.kind === 'written')).toMatchObject({
      club: '52°',
      swing: 'full',
      carry: { yd: 60, m: 55 },
      plusMinus: null,
    })
  })

  it('gives the player measured and written numbers, well predicted ones too, or all, as the coach chooses', () => {
    const made = calibrated(bag, tenBalls('52°', 'full', 110))
    const kinds = (which: PublishedWhich) =>
      publish(made, remarksAt([word('written', 60, 1)], DAY_MS), head, which).cells.filter(cell => cell.carry !== null)
    const [measured, well, all] = [kinds('measured'), kinds('well-predicted'), kinds('all')]
    expect(measured.some(cell => cell.kind === 'predicted')).toBe(false)
    for (const cell of well) if (cell.kind === 'predicted') expect(cell.plusMinus!.yd).toBeLessThanOrEqual(6)
    expect(all.some(cell => cell.kind === 'predicted' && cell.plusMinus!.yd > 6)).toBe(true)
    expect(measured.length).toBeLessThan(all.length)
    expect(heldBackText(all.length - well.length, 'well-predicted', 'yd')).toMatch(/known no better than ± 6 yd, and/)
    expect(heldBackText(0, 'measured', 'yd')).toBe('')
  })

  it("moves the written number's patch with it, as wide as the balls have it", () => {
    const made = calibrated(bag, tenBalls('52°', 'full', 110))
    const at = (said: Parameters<typeof publish>[1]) =>
      publish(made, said, head).cells.find(cell => cell.club === '52°' && cell.swing === 'full')!
    const [before, after] = [at(new Map()), at(remarksAt([word('written', 60, 1)], DAY_MS))]
    expect((after.window![0].yd + after.window![1].yd) / 2).toBeCloseTo(60, -0.5)
    expect(before.window![0].yd).toBeGreaterThan(90)
  })

  it('is told in words whose figures add up as they are read', () => {
    expect(beliefCostText(yardsToMetres(80), yardsToMetres(87), 'yd')).toBe('trusted, it lands 7 yd over the back')
    expect(beliefCostText(yardsToMetres(104.6), yardsToMetres(95.4), 'yd')).toBe('trusted, it lands 10 yd short')
    expect(beliefCostText(yardsToMetres(87), yardsToMetres(87.3), 'yd')).toBe('right')
    // 3.9 apart, read 60 and 63: it is counted by what is read.
    expect(missAsRead(yardsToMetres(59.5), yardsToMetres(63.4), 'yd')).toBe(3)
    expect(missAsRead(yardsToMetres(63.4), yardsToMetres(59.5), 'yd')).toBe(-3)
    expect(contradictionText(yardsToMetres(80), yardsToMetres(87), 0.9799, yardsToMetres(3), 'yd')).toBe(
      '80 is written, the balls say 87: 97 in 100 that it is more than 3 yd off.',
    )
  })

  it('says where balls finish in tenths, once five sides were seen', () => {
    const ball = (offYd: number, rightYd: number) => ({
      carryM: yardsToMetres(90 + offYd),
      sideM: yardsToMetres(rightYd),
    })
    const ten = [
      ball(0, 3),
      ball(1, 2),
      ball(-1, 4),
      ball(0, 1),
      ball(-4, 5),
      ball(2, 3),
      ball(0, 2),
      ball(-5, -1),
      ball(1, -2),
      ball(0, -1),
    ]
    expect(patternText(ten.slice(0, 4), yardsToMetres(90), 'yd')).toBeNull()
    expect(patternText(ten, yardsToMetres(90), 'yd')).toBe(
      '7 of 10 balls finish right, 2 pitch more than 2 yd short. Middle 2 yd right; ' +
        'the middle 8 in 10 of them lie 6 yd wide.',
    )
    // As counted: of eight, all are eight.
    const eight = Array.from({ length: 8 }, (_, i) => ball(-3, -1 - (i % 3)))
    expect(patternText(eight, yardsToMetres(90), 'yd')).toMatch(
      /^8 of 8 balls finish left, 8 pitch more than 2 yd short\./,
    )
    // A number that reads 90 and balls that read 88 are 2 apart, whatever stands behind the number.
    const six = Array.from({ length: 6 }, () => ball(-2, 1))
    expect(patternText(six, yardsToMetres(90.4), 'yd')).toMatch(/, 0 pitch more than 2 yd short\./)
  })
})

describe('a published chart', () => {
  it('reads back to the byte, and in both units as the screen shows it, for random charts', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.constantFrom('60°', '56°', '52°', '44°'),
            fc.constantFrom('9:00', 'full'),
            fc.double({ min: 30, max: 140, noNaN: true }),
          ),
          { minLength: 1, maxLength: 25 },
        ),
        hit => {
          const shots = hit.map(([club, swing, yd], i): AnyStageShot => ({
            ...balls(club, swing, [yd])[0]!,
            id: `${i}`,
            hitAtMs: DAY_MS + i,
          }))
          const made = calibrated(bag, shots)
          const chart = publish(made, new Map(), head)
          expect(JSON.parse(JSON.stringify(chart))).toEqual(chart)
          const screen = new Map(made.chart.map(cell => [cellKey(cell), cell.carryM]))
          for (const cell of chart.cells.filter(one => one.carry)) {
            const carryM = screen.get(cellKey(cell))!
            expect([String(cell.carry!.yd), String(cell.carry!.m)]).toEqual([
              distanceText(carryM, 'yd'),
              distanceText(carryM, 'm'),
            ])
          }
        },
      ),
      { numRuns: 40 },
    )
  })

  it('holds struck-out cells without a number, and names clubs across and swings down', () => {
    const chart = publish(calibrated(bag, tenBalls('52°', 'full', 110)), new Map(), head)
    expect(chart.cells.find(cell => cell.club === '60°' && cell.swing === 'full')).toMatchObject({
      kind: 'struck-out',
      carry: null,
    })
    expect([chart.clubs[0]!.label, chart.swings[0]!.label]).toEqual(['60°', 'full'])
    expect(inOrder(chart, 'yd').map(cell => cell.carry!.yd)).toEqual(
      inOrder(chart, 'yd')
        .map(cell => cell.carry!.yd)
        .sort((a, b) => b - a),
    )
    expect(sentText('Pip', chart, 'yd').split('\n')[0]).toBe('Pip, carry chart 1, 4 May 2026, as measured')
  })

  it('for the home air: warm and high carries further than cold and low, and neutral air changes nothing', () => {
    const chart = publish(calibrated(bag, tenBalls('52°', 'full', 110)), new Map(), head)
    const full = (home: { tempC: number; altitudeM: number }) =>
      inAir(chart, home).cells.find(cell => cell.club === '52°' && cell.swing === 'full')!.carry!.yd
    expect(full({ tempC: 20, altitudeM: 0 })).toBe(110)
    expect(full({ tempC: 30, altitudeM: 1500 })).toBeGreaterThan(113)
    expect(full({ tempC: 0, altitudeM: 0 })).toBeLessThan(109)
  })

  it('for a player who reads totals holds carry and run, on the phone, in text and in another air', () => {
    const chart = publish(calibrated(bag, tenBalls('48°', 'full', 120)), new Map(), { ...head, totalOn: 'firm' })
    const full = chart.cells.find(cell => cell.club === '48°' && cell.swing === 'full')!
    expect(full.carry!.yd).toBe(120)
    expect(full.total!.yd).toBeGreaterThan(121)
    expect(sentText('Pip', chart, 'yd')).toContain(`${full.total!.yd} yd  48° full`)
    expect(figuresText(chart, 'm')).toBe('Total in metres, firm ground')
    const cold = inAir(chart, { tempC: 0, altitudeM: 0 }).cells.find(
      cell => cell.club === '48°' && cell.swing === 'full',
    )!
    expect(cold.total!.yd - cold.carry!.yd).toBeCloseTo(full.total!.yd - full.carry!.yd, -1)
    expect(cold.total!.yd).toBeLessThan(full.total!.yd)
    expect(
      publish(calibrated(bag, tenBalls('48°', 'full', 120)), new Map(), head).cells.every(
        cell => cell.total === undefined,
      ),
    ).toBe(true)
  })

  it('rounds once, halves as the screen does', () => {
    // 23.5 yd, which in metres and back is a little less.
    expect(figureOf(21.4884)).toEqual({ yd: 24, m: 21 })
    expect(figureOf(yardsToMetres(72.5))).toEqual({ yd: 73, m: 66 })
  })
})

function visits(seed: number, movedYd: number, later: number, ballsEach: number) {
  const { shots, sessions } = expertVisits(bag, seed, movedYd, later, ballsEach, DAY_MS)
  const say = (until: number) =>
    calibrate({
      bag,
      shots: shots.filter(shot => shot.hitAtMs < until),
      sessions: sessions.filter(session => session.startedAtMs < until),
      level: 'expert',
      nowMs: until,
    })
  const publishedMs = DAY_MS + 2 * 86_400_000
  const then = say(publishedMs)
  const before = then.chart.map(cell => ({
    ...at(cell.clubId, cell.rungId),
    carryM: cell.carryM,
    lnVariance: lnVariances(then.grid).get(cellKey(cell)) ?? null,
  }))
  const now = say(DAY_MS + (later + 1) * 7 * 86_400_000)
  return { compared: compareCharts(now, before, publishedMs), then, now }
}

describe('comparing', () => {
  it('after five visits more names the one number that moved by 8 yd, and no other', () => {
    const { compared } = visits(4, -8, 5, 4)
    expect(compared.filter(one => one.moved).map(cellKey)).toEqual(['52°/full'])
    expect(compared.find(one => one.moved)).toMatchObject({ balls: 20, certain: true })
  })

  it('says that nothing moved when nothing did: falsely moved at most 1 in 20 of 19 cells, over ten players', () => {
    const all = Array.from({ length: 10 }, (_, seed) => visits(100 + seed, 0, 3, 4).compared)
      .flat()
      .filter(one => one.evidence !== null)
    expect(all.length).toBe(190)
    expect(all.filter(one => one.moved).length).toBeLessThanOrEqual(9)
  })

  it('finds an 8 yd move in most players, and needs more than one ball for it', () => {
    const found = Array.from({ length: 10 }, (_, seed) =>
      visits(200 + seed, -8, 5, 4).compared.some(one => one.moved && one.clubId === '52°' && one.rungId === 'full'),
    )
    expect(found.filter(Boolean).length).toBeGreaterThanOrEqual(8)
    const one = visits(4, -60, 1, 1).compared.find(cell => cell.clubId === '52°' && cell.rungId === 'full')!
    expect([one.balls, one.moved]).toEqual([1, false])
  })

  it('takes a guessed wind, which all balls of a visit share, into account', () => {
    const { now, then } = visits(4, -8, 1, 8)
    const before = then.chart.map(cell => ({
      ...at(cell.clubId, cell.rungId),
      carryM: cell.carryM,
      lnVariance: lnVariances(then.grid).get(cellKey(cell)) ?? null,
    }))
    const evidence = (commonSd: number) =>
      compareCharts(
        { ...now, player: { ...now.player, sessions: now.player.sessions.map(session => ({ ...session, commonSd })) } },
        before,
        DAY_MS + 2 * 86_400_000,
      ).find(one => one.clubId === '52°' && one.rungId === 'full')!.evidence!
    expect(evidence(0)).toBeGreaterThan(MOVED_EVIDENCE)
    expect(evidence(0.06)).toBeLessThan(MOVED_EVIDENCE)
  })

  it('tells what changed between two published charts, and that nothing did', () => {
    const first = publish(calibrated(bag, tenBalls('52°', 'full', 110)), new Map(), head)
    const made = calibrated(bag, [...tenBalls('52°', 'full', 110), ...tenBalls('56°', 'full', 95)])
    const second = publish(made, remarksAt([word('written', 100, 1, at('48°', '9:00'))], DAY_MS), head)
    const named = (cell: { clubId: string; rungId: string }) => `${cell.clubId} ${cell.rungId}`
    expect(changesText(null, { cells: first.cells, compared: [] }, 'yd', named)).toBe('The first published chart.')
    expect(changesText(first, { cells: first.cells, compared: [] }, 'yd', named)).toBe('No number has moved for sure.')
    expect(changesText(first, { cells: second.cells, compared: [] }, 'yd', named)).toBe(
      'New: 56° full. Written: 48° 9:00.',
    )
  })
})

describe('two players', () => {
  const one = { bag, ...calibrated(bag, [...tenBalls('52°', 'full', 110), ...tenBalls('48°', 'full', 122)]) }
  it('are compared where both have the same swing with a club of the same loft, and differ only where the balls bear it out', () => {
    const otherBag = bagOf({ gap: 52.5, lob: 62 }, ['Full', 'third'])
    const pairs = comparePlayers(one, { bag: otherBag, ...calibrated(otherBag, tenBalls('gap', 'Full', 95)) })
    expect(pairs).toMatchObject([{ club: '52°', otherClub: 'gap', swing: 'full', differs: true }])
    expect(pairs[0]!.carryM - pairs[0]!.otherM).toBeGreaterThan(yardsToMetres(13))
    expect(comparePlayers(one, one).every(pair => !pair.differs && pair.carryM === pair.otherM)).toBe(true)
    expect(
      comparePlayers(one, { bag: otherBag, ...calibrated(otherBag, tenBalls('gap', 'Full', 109)) })[0]!.differs,
    ).toBe(false)
  })
})

describe('carry by club speed', () => {
  // One player's pitching wedge, called speeds against measured carries (common practice): 65, 70 and 75 mph.
  const bagged = bagOf({ pitch: 46 }, ['slow', 'full'])
  const ball = (mph: number, yd: number, i: number): AnyStageShot => ({
    ...balls('pitch', mph > 68 ? 'full' : 'slow', [yd])[0]!,
    id: `${mph} ${i}`,
    readings: { clubSpeedMs: mphToMps(mph) },
  })

  it('calls "110 is 69 mph" from balls at three speeds, and a mishit at full speed does not bend the line', () => {
    const shots = [
      [65, 99],
      [65, 101],
      [70, 111],
      [70, 113],
      [75, 123],
      [75, 125],
    ].map(([mph, yd], i) => ball(mph!, yd!, i))
    const [club] = clubsBySpeed(bagged, shots)
    expect(Math.round(speedFor(club!, yardsToMetres(110)))).toBe(69)
    const at72 = callAt(club!, 72)
    expect(Math.abs(at72.carryM / yardsToMetres(116) - 1)).toBeLessThan(0.02)
    expect(at72.window80M[0]).toBeLessThan(at72.carryM)
    // About 2 yd for each mph with a wedge (common practice).
    expect(at72.perMphM / 0.9144).toBeGreaterThan(1.8)
    expect(at72.perMphM / 0.9144).toBeLessThan(3)
    const [withMishit] = clubsBySpeed(bagged, [...shots, ball(75, 70, 9)])
    expect(callAt(withMishit!, 72).carryM / at72.carryM).toBeCloseTo(1, 1)
    expect(speedFor(club!, callAt(club!, 68).carryM)).toBeCloseTo(68, 9)
  })

  it('draws no line from four balls, from balls without a speed, or from balls left out', () => {
    const four = [65, 67, 70, 72].map((mph, i) => ball(mph, 100 + i, i))
    expect(clubsBySpeed(bagged, four)).toEqual([])
    expect(
      clubsBySpeed(bagged, [...four, { ...ball(75, 120, 9), leftOut: 'mishit' }, balls('pitch', 'full', [110])[0]!]),
    ).toEqual([])
  })
})

describe('total', () => {
  it('is carry and run: less run from more loft, more from firmer ground, and none known where no such strike is', () => {
    const run = (loft: number, ground: 'soft' | 'medium' | 'firm') => runAfterM(loft, 90, ground)
    expect(run(44, 'firm')).toBeGreaterThan(run(44, 'medium'))
    expect(run(44, 'medium')).toBeGreaterThan(run(44, 'soft'))
    expect(run(44, 'medium')).toBeGreaterThan(run(54, 'medium'))
    // A ball that lies 75 m off, less its run, is the carry that runs so far.
    expect(75 - runBeforeM(50, 75, 'soft') + runAfterM(50, 75 - runBeforeM(50, 75, 'soft'), 'soft')).toBeCloseTo(75, 1)
  })
})
