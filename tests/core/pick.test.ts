import { describe, expect, it } from 'vitest'
import { figureOf, metresOf, type PublishedChart } from '../../core/history/published'
import { flyerCounts, flyerShare } from '../../core/gaps/flyer-count'
import { flagBeyondM } from '../../core/pick/flag-from'
import { CALM, NEUTRAL, stationPressurePa, windFromParts } from '../../core/flight/air'
import { USUAL_STRIKE } from '../../core/flight/deliver'
import { todayOf, toToday } from '../../core/flight/neutral'
import { LEVELS } from '../../core/level'
import { newMemo } from '../../core/memo'
import { costAround, NOT_PAST, type Around, type Trouble } from '../../core/pick/around'
import { aimToFlag, meanCost, meantBy, variantsOf } from '../../core/pick/candidate'
import { flownShots, heightAt, type PickAir } from '../../core/pick/flown'
import { layUp, leaveCosts } from '../../core/pick/lay-up'
import { LIE_NAMES } from '../../core/pick/lies'
import { pick } from '../../core/pick/pick'
import type { PickedShot, PickQuestion } from '../../core/pick/picked'
import { pickPlayerOf, type PickPlayer, type PickShot } from '../../core/pick/pick-player'
import { STRIKES_SHOWN, strikePoints } from '../../core/pick/strikes'
import { builtStrokes, buildStrokes, costsOf, expertStrokes, putts, strokesFrom } from '../../core/pick/strokes'
import { pickAt, stretchesOf, sweepTargets } from '../../core/pick/sweep'
import { metresToYards, mphToMps, yardsToMetres as yd } from '../../core/units'
import { keptText } from '../../words/kept-pick'
import {
  aimText,
  callText,
  callWorthText,
  howText,
  landsText,
  layUpText,
  lieText,
  leavesText,
  missText,
  nearerText,
  partsText,
  unservedText,
  wayText,
  whyText,
  yoursText,
} from '../../words/pick'

const memo = newMemo()

/** One player's measured grid (common practice): full, nine o'clock and hip high, lofts the usual ones. */
const GRID: [loft: number, swing: string, carryYd: number][] = [
  [46, 'full', 137],
  [50, 'full', 124],
  [56, 'full', 102],
  [46, '9:00', 107],
  [50, '9:00', 92],
  [56, '9:00', 74],
  [60, '9:00', 63],
  [50, 'hip', 70],
  [56, 'hip', 55],
  [60, 'hip', 45],
]
const RUNG: Record<string, number> = { 'hip': 0, '9:00': 1, 'full': 2 }
const shot = ([loft, swing, carryYd]: (typeof GRID)[number], more: Partial<PickShot> = {}): PickShot => ({
  clubId: String(loft),
  rungId: swing,
  club: `${loft}°`,
  swing,
  cue: '',
  loftDeg: loft,
  kind: 'measured',
  carryM: yd(carryYd),
  readM: yd(carryYd),
  byTotal: false,
  longSdM: 0.03 * (yd(carryYd) + 30),
  sideBiasM: 0,
  sideSdM: 0.045 * yd(carryYd),
  sideKnown: true,
  sideTold: null,
  own: USUAL_STRIKE,
  rung: RUNG[swing]!,
  isFull: swing === 'full',
  ...more,
})
const playerOf = (shots: PickShot[], more: Partial<PickPlayer> = {}): PickPlayer => ({
  shots,
  mishitShare: 0.07,
  level: 'good',
  settings: { habit: 'club', rules: [] },
  plusWorth: 1,
  spreadKnown: true,
  ...more,
})
const player = playerOf(GRID.map(one => shot(one)))
const CALM_DAY: PickAir = { today: null, slopeM: 0, firmness: 'medium' }
const asked = (targetYd: number, more: Partial<PickQuestion> = {}): PickQuestion => ({
  targetM: yd(targetYd),
  around: { trouble: [] },
  lie: 'fairway',
  over: [],
  under: [],
  ...more,
})
const { shots } = flownShots(player, CALM_DAY)
const picked = (targetYd: number, more: Partial<PickQuestion> = {}, who = player, flown = shots) =>
  pick(who, flown, asked(targetYd, more), memo)
const nameOf = ({ club, swing }: PickedShot) => `${club} ${swing}`
const water = (side: Trouble['side'], fromYd: number, strokes = 1): Trouble => ({ side, fromM: yd(fromYd), strokes })

describe('what a leave costs', () => {
  it('the expert table and putts are read at their knots and between them, never below one', () => {
    // From memory of M. Broadie, Interfaces 42 (2), 2012, and Every Shot Counts, 2014.
    expect(expertStrokes(yd(100), 'fairway')).toBeCloseTo(2.8, 9)
    expect(expertStrokes(yd(100), 'rough')).toBeCloseTo(3.02, 9)
    expect(expertStrokes(yd(60), 'sand')).toBeCloseTo(3.15, 9)
    expect(expertStrokes(yd(70), 'fairway')).toBeCloseTo(2.725, 9)
    expect(expertStrokes(yd(5), 'fairway')).toBe(2.4)
    expect(expertStrokes(yd(500), 'fairway')).toBe(3.19)
    expect(putts(0.3048 * 8, 'expert')).toBeCloseTo(1.5, 9)
    expect(putts(0, 'beginner')).toBe(1)
    for (const level of LEVELS)
      for (let feet = 1; feet < 90; feet++)
        expect(putts(0.3048 * (feet + 1), level)).toBeGreaterThanOrEqual(putts(0.3048 * feet, level) - 1e-9)
  })

  it('who goes round in 90 holes about half from five feet: half a putt is lost there beside the expert’s quarter', () => {
    expect(putts(5 * 0.3048, 'improver') - putts(5 * 0.3048, 'expert')).toBeCloseTo(0.27, 2)
  })

  it.each(LEVELS)('what is written down for %s is what is built, to half a hundred-thousandth', level => {
    const built = buildStrokes(level, newMemo())
    const written = builtStrokes(level, newMemo())
    expect(written).toHaveLength(built.length)
    for (const [yards, strokes] of built.entries()) expect(Math.abs(written[yards]! - strokes)).toBeLessThan(0.51e-5)
  })

  it('the built row of experts is within 0.15 of the table from 30 to 140 yd; worse levels cost more at every yard', () => {
    const built = builtStrokes('expert', memo)
    for (let d = 30; d <= 140; d++) expect(Math.abs(built[d]! - expertStrokes(yd(d), 'fairway'))).toBeLessThan(0.15)
    const rows = (['expert', 'good', 'improver', 'beginner'] as const).map(level => builtStrokes(level, memo))
    for (let d = 20; d <= 200; d += 5)
      for (let k = 1; k < rows.length; k++) expect(rows[k]![d]!).toBeGreaterThan(rows[k - 1]![d]!)
    expect(strokesFrom(yd(100), costsOf('expert', memo))).toBeCloseTo(2.8, 9)
  })
})

describe('a pick', () => {
  it('77 to the pin, land it on 75: with 74 at nine o’clock that is plus one (common practice)', () => {
    const [first] = picked(77).picks
    expect(nameOf(first!)).toBe('56° 9:00')
    expect(howText(first!, 'yd')).toBe('plus 1')
    expect(Math.round(metresToYards(first!.pitchM))).toBe(75)
    expect(Math.round(metresToYards(first!.stopM))).toBe(77)
  })

  it('109 into a puff of wind plays 113, which is six over the 107; 85 downwind plays 80 (common practice)', () => {
    // The ball is to stop where it pitches: it is the carry that is spoken of.
    const inWind = (targetYd: number, mph: number, name: string) => {
      const today = todayOf(20, stationPressurePa(0), 0.5, windFromParts(mphToMps(mph), 0, CALM), 'felt')
      const flown = flownShots(player, { ...CALM_DAY, today }).shots.map(one => ({ ...one, runM: 0 }))
      return pick(player, flown, asked(targetYd), memo).picks.find(one => nameOf(one) === name)
    }
    const windFor = (targetYd: number, playsYd: number, name: string, sign: number) => {
      for (let mph = 0; mph < 25; mph += 0.25) {
        const one = inWind(targetYd, sign * mph, name)
        if (one && Math.abs(metresToYards(one.playsM) - playsYd) < 0.3) return one
      }
      throw new Error('no such wind')
    }
    const puff = windFor(109, 113, '46° 9:00', 1)
    expect(howText(puff, 'yd')).toBe('plus 6')
    expect(metresToYards(puff.parts.windM)).toBeCloseTo(metresToYards(puff.playsM) - 109, 3)
    expect(partsText(puff.parts, 'yd')).toBe('wind +4')
    const down = windFor(85, 80, '56° 9:00', -1)
    expect(howText(down, 'yd')).toMatch(/^plus [56]$/)
    expect(partsText(down.parts, 'yd')).toBe('wind −5')
  })

  it('full is a ceiling: nobody swings 8 yd past full, and the longer club that is nearly there comes first', () => {
    // Charts of the trade: 51° full 110, 46° full 122; 54° full 107, 50° full 119.
    const wedges = [
      shot([51, 'full', 110]),
      shot([46, 'full', 122]),
      shot([46, '9:00', 96]),
      shot([51, '9:00', 86]),
      shot([58, 'full', 95]),
    ]
    const who = playerOf(wedges)
    const flown = flownShots(who, CALM_DAY).shots
    for (let at = 60; at <= 130; at++)
      for (const one of pick(who, flown, asked(at), memo).picks)
        if (one.swing === 'full') expect(one.plusM).toBeLessThanOrEqual(yd(2) + 1e-9)
    const first = (at: number) => pick(who, flown, asked(at), memo).picks[0]!
    expect([nameOf(first(121)), nameOf(first(123))]).toEqual(['46° full', '46° full'])
    // Past what full gives it says so.
    expect(pick(who, flown, asked(135), memo).unserved).toBe('long')
  })

  it('98 is plus six over the 92, 113 over the 107; 45 between 40 and 50 is either of them (common practice)', () => {
    const nine = playerOf([shot([50, '9:00', 92]), shot([46, '9:00', 107])])
    const flown = flownShots(nine, CALM_DAY).shots
    const carries = (at: number) => {
      const flight = flown.find(({ carryM }) => carryM === yd(at))!
      return metresToYards(flight.runM)
    }
    for (const [number, wanted] of [
      [92, 98],
      [107, 113],
    ] as const) {
      const answer = pick(nine, flown, asked(wanted + carries(number)), memo).picks
      const one = answer.find(({ numberM }) => numberM === yd(number))!
      expect([one.gripDown, Math.round(metresToYards(one.plusM))]).toEqual([0, 6])
    }
    const short = playerOf([shot([60, 'hip', 40]), shot([60, '9:00', 50])])
    const at45 = flownShots(short, CALM_DAY).shots
    const ways = pick(short, at45, asked(45 + metresToYards(at45[0]!.runM)), memo).picks
    for (const one of ways) expect(Math.abs(metresToYards(one.pitchM) - 45)).toBeLessThan(1.5)
    expect(ways.map(({ swing }) => swing).sort()).toEqual(['9:00', 'hip'])
  })

  it('between two numbers it may be gripped down: an inch is about five yards, and said so', () => {
    const two = playerOf([shot([46, '9:00', 107]), shot([50, '9:00', 92])], {
      settings: { habit: 'grip', rules: [] },
    })
    const { picks } = pick(two, flownShots(two, CALM_DAY).shots, asked(98), memo)
    const gripped = picks.find(one => one.gripDown > 0)!
    expect(howText(gripped, 'yd')).toMatch(/grip down/)
    expect(howText({ numberM: yd(107), gripDown: 1, plusM: yd(2) }, 'yd')).toBe('minus 3: grip down an inch')
    expect(howText({ numberM: yd(107), gripDown: 2, plusM: 0 }, 'yd')).toBe('minus 10: grip down 2 inches')
  })

  it('leave, bad leave, strokes and share in trouble agree with a million strikes drawn at random', () => {
    const around: Around = { trouble: [water('short', 8), water('right', 9, 0.5)] }
    const one = picked(77, { around }).picks[0]!
    const cost = costAround(around, yd(77), costsOf('good', memo))
    let state = 12345
    const random = () => {
      state = (Math.imul(state, 1664525) + 1013904223) >>> 0
      return (state + 0.5) / 4294967296
    }
    const N = 1_000_000
    const distances = new Float64Array(N)
    let [strokes, trouble] = [0, 0]
    const { pastM, rightM, longSdM, sideSdM } = one.patch
    for (let i = 0; i < N; i++) {
      const r = Math.sqrt(-2 * Math.log(random()))
      const angle = 2 * Math.PI * random()
      const [z, w] = [r * Math.cos(angle), r * Math.sin(angle)]
      // A mishit: 18 % short, scattered by a tenth of the carry.
      const bad = random() < player.mishitShare
      const wide = Math.hypot(0.1 * one.pitchM, longSdM)
      const x = bad ? pastM - 0.18 * one.pitchM + wide * z : pastM + longSdM * z
      const y = rightM + sideSdM * w
      distances[i] = Math.hypot(x, y)
      strokes += cost(x, y)
      if (x < -yd(8) || y > yd(9)) trouble++
    }
    distances.sort()
    const mean = distances.reduce((sum, d) => sum + d, 0) / N
    expect(Math.abs(one.leaveM / mean - 1)).toBeLessThan(0.004)
    expect(Math.abs(one.badLeaveM / distances[0.9 * N]! - 1)).toBeLessThan(0.01)
    expect(Math.abs(one.strokes - 1 - strokes / N)).toBeLessThan(0.006)
    expect(Math.abs(one.troubleShare - trouble / N)).toBeLessThan(0.004)
  })

  it('the searched aim is no worse than the best of a grid of yards', () => {
    const around: Around = { trouble: [water('short', 6), water('left', 5), NOT_PAST] }
    const cost = costAround(around, yd(90), costsOf('good', memo))
    const width = { times: 1.5, mishitShare: player.mishitShare }
    const points = strikePoints(STRIKES_SHOWN, memo)
    for (const found of picked(90, { around }).picks) {
      const variant = variantsOf(shots).find(
        one => one.shot.clubId === found.clubId && one.shot.rungId === found.rungId && one.grip === found.gripDown,
      )!
      let least = Infinity
      for (let p = -16; p <= 16; p++)
        for (let a = -15; a <= 15; a++) {
          const plusM = found.plusM + yd(p)
          if (plusM > variant.mostPlusM || plusM < -variant.mostMinusM) continue
          const meant = meantBy(variant, yd(90), plusM, aimToFlag(variant) + yd(a), width)
          least = Math.min(least, 1 + meanCost(meant, width, cost, points))
        }
      expect(found.strokes).toBeLessThan(least + 0.006)
    }
  })

  it('none that is shown loses on both counts to one that is not; yards and metres are the same shot', () => {
    for (let d = 35; d <= 140; d += 3) {
      const all = shots.map(one => pick(player, [one], asked(d), memo).picks[0]!)
      const shown = picked(d).picks
      const hidden = all.filter(one => !shown.some(other => nameOf(other) === nameOf(one)))
      for (const one of shown)
        for (const other of hidden)
          expect(other.strokes < one.strokes - 1e-3 && other.badLeaveM < one.badLeaveM - 1e-3).toBe(false)
      const metres = Math.round(yd(d))
      const inMetres = pickAt(player, shots, asked(d), metres, 'm', memo)
      expect(inMetres).toEqual(pick(player, shots, { ...asked(d), targetM: metres }, memo))
    }
  })

  it('more trouble never costs less, wherever it lies', () => {
    const sides = ['short', 'long', 'left', 'right'] as const
    for (const d of [60, 83, 110]) {
      const least = (trouble: ReturnType<typeof water>[]) =>
        Math.min(...picked(d, { around: { trouble } }).picks.map(one => one.strokes))
      const before = least([water('short', 7)])
      for (const side of sides) expect(least([water('short', 7), water(side, 4)])).toBeGreaterThan(before - 0.006)
    }
    const cost = costAround({ trouble: [{ ...water('left', 3), andDistance: true }] }, yd(90), costsOf('good', memo))
    const free = costAround({ trouble: [] }, yd(90), costsOf('good', memo))
    for (let x = -30; x <= 30; x += 2)
      for (let y = -30; y <= 30; y += 2) expect(cost(x, y)).toBeGreaterThanOrEqual(free(x, y))
    // Out of bounds is a stroke, and all of it again.
    expect(cost(0, -10)).toBeGreaterThan(1 + strokesFrom(yd(90), costsOf('good', memo)) - 1e-9)
  })

  it('with trouble short, the one whose bad ball ends nearer is preferred or named (common practice)', () => {
    // Two ways to 100: one tight, one that a bad strike leaves far short.
    const loose = shot([46, '9:00', 98], { longSdM: 7, rung: 2 })
    const tight = shot([56, 'full', 98], { longSdM: 2.5, rung: 1 })
    const two = playerOf([loose, tight])
    const flown = flownShots(two, CALM_DAY).shots
    const { picks } = pick(two, flown, asked(100, { around: { trouble: [water('short', 6)] } }), memo)
    expect(nameOf(picks[0]!)).toBe('56° full')
    expect(picks[0]!.badLeaveM).toBeLessThan(picks[1]!.badLeaveM)
    // Aimed beyond the flag, away from it.
    expect(picks[0]!.patch.pastM).toBeGreaterThan(0)
  })

  it('aims against the usual miss, and against the drift of a cross wind', () => {
    const puller = playerOf([shot([56, '9:00', 74], { sideBiasM: -yd(3) })])
    const [calm] = pick(puller, flownShots(puller, CALM_DAY).shots, asked(76), memo).picks
    expect(aimText(calm!.aimRightM, 'yd')).toBe('aim 3 right')
    const today = todayOf(20, stationPressurePa(0), 0.5, windFromParts(0, mphToMps(12), CALM), 'felt')
    const [windy] = pick(puller, flownShots(puller, { ...CALM_DAY, today }).shots, asked(76), memo).picks
    expect(Math.abs(windy!.aimRightM)).toBeGreaterThan(yd(3))
    expect(aimText(0.2, 'yd')).toBe('')
  })

  it('a number taken out of today’s air and put back meets itself; an unsure wind widens where balls end', () => {
    const today = todayOf(8, stationPressurePa(1600), 0.4, windFromParts(mphToMps(9), mphToMps(4), CALM), 'felt')
    const flown = flownShots(player, { ...CALM_DAY, today }).shots
    for (const one of flown) {
      const back = toToday(one.loftDeg, one.carryM, today)
      expect(back.ok && Math.abs(back.carryM - one.todayM)).toBeLessThan(yd(0.1))
      expect(one.windSdM).toBeGreaterThan(0.2)
    }
    expect(shots.every(one => one.windSdM === 0 && Math.abs(one.todayM - one.carryM) < yd(0.02))).toBe(true)
    const same = flownShots(player, { ...CALM_DAY, today: todayOf(20, 101_325, 0.5, NEUTRAL.wind, 'calm') }).shots
    expect(same[0]!.todayM).toBeCloseTo(shots[0]!.todayM, 2)
  })

  it('a gale of 40 mph and 1,600 m leave an answer, and what has no flight there is left aside', () => {
    const gale = todayOf(10, stationPressurePa(1600), 0.5, windFromParts(mphToMps(40), 0, CALM), 'felt')
    const { shots: flown, grounded } = flownShots(player, { ...CALM_DAY, today: gale })
    expect(flown.length + grounded.length).toBe(player.shots.length)
    const answer = pick(player, flown, asked(70), memo)
    expect(answer.picks.length + grounded.length).toBeGreaterThan(0)
  })

  it('a target nearer than the shortest or beyond the longest says so, and what comes nearest', () => {
    const short = picked(15)
    expect(short.unserved).toBe('short')
    expect(unservedText(short, 'yd')).toMatch(/^Nearer than your shortest number: 60° hip/)
    const long = picked(175)
    expect(long.unserved).toBe('long')
    expect(unservedText(long, 'yd')).toMatch(/^Beyond your longest number: 46° full .* yd short\.$/)
    expect(picked(77).unserved).toBeNull()
    expect(unservedText(picked(77), 'yd')).toBe('')
    const one = playerOf([shot([56, '9:00', 74])])
    expect(pick(one, flownShots(one, CALM_DAY).shots, asked(76), memo).picks).toHaveLength(1)
    expect(pick(playerOf([]), [], asked(76), memo).picks).toEqual([])
  })

  it('a branch to stay under and a lip to clear leave only the flights that do, each with its margin', () => {
    const branch = { atM: yd(60), heightM: 12 }
    const low = picked(100, { under: [branch] })
    for (const one of low.picks) {
      expect(one.marginM).toBeGreaterThanOrEqual(0)
      const flight = shots.find(other => other.clubId === one.clubId && other.rungId === one.rungId)!
      expect(heightAt(flight, yd(60))!).toBeLessThan(12.5)
    }
    expect(low.picks.some(one => nameOf(one) === '56° full')).toBe(false)
    expect(picked(100, { under: [{ atM: yd(20), heightM: 0.5 }] }).blocked).toBe(true)
    const over = picked(77, { over: [{ atM: yd(40), heightM: 9 }] })
    expect(over.picks.every(one => one.marginM! >= 0)).toBe(true)
  })

  it('a rule of the coach wins ties and says so; habits order equals', () => {
    const ruled = playerOf(player.shots, {
      settings: { habit: 'club', rules: [{ clubId: '50', rungId: 'hip', fromM: yd(75), toM: yd(79) }] },
    })
    const answer = pick(ruled, shots, asked(77), memo)
    expect(nameOf(answer.picks[0]!)).toBe('50° hip')
    expect(answer.byRule).toBe(true)
    expect(whyText(answer, 'yd')).toBe('Your coach’s choice for this distance.')
    // Of two that are the same but for the swing, the habit decides.
    const twins = [shot([56, 'full', 80], { rungId: 'a', rung: 2 }), shot([56, '9:00', 80], { rungId: 'b', rung: 1 })]
    const first = (habit: 'club' | 'swing') => {
      const who = playerOf(twins, { settings: { habit, rules: [] } })
      return pick(who, flownShots(who, CALM_DAY).shots, asked(82), memo).picks[0]!.swing
    }
    expect([first('club'), first('swing')]).toEqual(['full', '9:00'])
  })

  it('a worse lie costs more', () => {
    const cost = (lie: (typeof LIE_NAMES)[number]) => picked(77, { lie }).picks[0]!.strokes
    for (const lie of LIE_NAMES.slice(1)) expect(cost(lie)).toBeGreaterThan(cost('fairway'))
    expect(cost('heavy rough')).toBeGreaterThan(cost('light rough'))
  })
})

describe('the sweep', () => {
  it('tells where the choice changes, without a hole from the shortest to the longest', () => {
    const range = sweepTargets(shots, 'yd')!
    const answers = Array.from({ length: range.to - range.from + 1 }, (_, i) => ({
      at: range.from + i,
      picked: pickAt(player, shots, asked(1), range.from + i, 'yd', memo),
    }))
    const stretches = stretchesOf(answers)
    expect(stretches[0]!.from).toBe(range.from)
    expect(stretches.at(-1)!.to).toBe(range.to)
    stretches.slice(1).forEach((one, i) => expect(one.from).toBe(stretches[i]!.to + 1))
    const at = (d: number) => stretches.find(one => d >= one.from && d <= one.to)!
    expect([at(75).clubId, at(104).clubId]).toEqual(['56', '56'])
    expect(sweepTargets([], 'yd')).toBeNull()
  })
})

describe('lay-up', () => {
  it('leaves a distance that one stock shot owns rather than the least (common practice)', () => {
    // Sound at 74 and 102, loose about the shortest numbers.
    const who = playerOf([
      shot([56, '9:00', 74], { longSdM: 2 }),
      shot([56, 'full', 102], { longSdM: 2.4 }),
      shot([60, 'hip', 45], { longSdM: 8, sideSdM: 6 }),
    ])
    const flown = flownShots(who, CALM_DAY).shots
    const costs = leaveCosts(who, flown, memo)
    const at = (d: number) => costs.find(one => Math.round(metresToYards(one.atM)) === d)!
    expect(at(76).strokes).toBeLessThan(at(60).strokes)
    expect(at(76).beside).toBeLessThan(0)
    const plan = layUp(who, costs, { toGoM: yd(275), longestM: yd(225), onTheWay: [] }, memo)!
    expect(metresToYards(plan.leaveM)).toBeGreaterThan(62)
    expect(plan.strokes).toBeLessThan(plan.farthest.strokes)
    expect(plan.at[0]!.leaveM).toBeCloseTo(yd(50), 6)
    expect(layUpText(plan, 'yd')).toMatch(
      /^Leave \d+ yd: 0\.\d\d strokes better than going as far as you can \(50 yd\)\.$/,
    )
    expect(layUp(who, costs, { toGoM: yd(200), longestM: yd(225), onTheWay: [] }, memo)).toBeNull()
    // A ditch where it would end pushes it elsewhere.
    const ditch = { fromM: yd(275) - plan.leaveM - 8, toM: yd(275) - plan.leaveM + 8, strokes: 1 }
    const other = layUp(who, costs, { toGoM: yd(275), longestM: yd(225), onTheWay: [ditch] }, memo)!
    expect(Math.abs(other.leaveM - plan.leaveM)).toBeGreaterThan(8)
    expect(other.strokes).toBeGreaterThan(plan.strokes)
  })
})

describe('from the published chart', () => {
  const chart: PublishedChart = {
    format: 'uzzet-published',
    version: 1,
    number: 3,
    publishedAtMs: 0,
    unit: 'yd',
    air: 'neutral',
    clubs: [{ id: 'c', label: '56°', name: '', loftDeg: 56 }],
    swings: [
      { id: 'full', label: 'full', cue: 'smooth' },
      { id: 'nine', label: '9:00', cue: 'chest' },
    ],
    cells: [
      {
        clubId: 'c',
        rungId: 'nine',
        club: '56°',
        swing: '9:00',
        kind: 'written',
        carry: { yd: 75, m: 69 },
        plusMinus: null,
        window: [
          { yd: 70, m: 64 },
          { yd: 80, m: 73 },
        ],
        balls: 5,
        modelM: 66,
        lnVariance: 0.001,
      },
      {
        clubId: 'c',
        rungId: 'full',
        club: '56°',
        swing: 'full',
        kind: 'unhit',
        carry: null,
        plusMinus: null,
        window: null,
        balls: 0,
        modelM: null,
        lnVariance: null,
      },
    ],
    note: '',
    changed: '',
  }
  it('the number the player reads is the number that is picked: written before measured; what is empty is left away', () => {
    const read = pickPlayerOf(chart)
    expect(read.shots).toHaveLength(1)
    expect(read.shots[0]).toMatchObject({ carryM: yd(75), cue: 'chest', rung: 0, sideKnown: false })
    expect(read.shots[0]!.longSdM).toBeCloseTo(yd(5) / 1.2816, 3)
    expect(read.spreadKnown).toBe(false)
    const measured = {
      ...chart.cells[0]!,
      kind: 'measured' as const,
      pattern: { longSdM: 4, sideBiasM: 1, sideSdM: 3 },
    }
    const known = pickPlayerOf({ ...chart, level: 'expert', mishitShare: 0.04, cells: [measured] })
    expect(known.shots[0]).toMatchObject({ carryM: 66, longSdM: 4, sideBiasM: 1, sideSdM: 3, sideKnown: true })
    expect(known).toMatchObject({ level: 'expert', mishitShare: 0.04, spreadKnown: true })
  })
})

describe('words of a pick', () => {
  it('a kept shot is told with where it ended; a usual miss by its side, and none under what is read', () => {
    const kept = { targetM: yd(77), shot: '56° at 9:00', how: 'plus 1', ended: 'short' as const, offM: yd(3) }
    expect(keptText(kept, 'yd')).toBe('77 yd with 56° at 9:00, plus 1: 3 yd short')
    expect(keptText({ ...kept, ended: 'fine', offM: null }, 'yd')).toBe('77 yd with 56° at 9:00, plus 1: fine')
    expect(missText({ missRightM: -yd(3), sideTold: null }, 'yd')).toBe('Usually 3 yd left.')
    expect(missText({ missRightM: 0.3, sideTold: null }, 'yd')).toBe('')
    const told = (by: 'club' | 'player') => missText({ missRightM: yd(2), sideTold: { balls: 7, by } }, 'yd')
    expect(told('club')).toBe('Usually 2 yd right (7 balls).')
    expect(told('player')).toBe('Usually 2 yd right, as all your clubs (7 balls).')
  })

  it('leaves with trouble by its odds, how it lands, why', () => {
    const one = { leaveM: 3, badLeaveM: 6, troubleShare: 0.08 }
    expect(leavesText(one, false, 'm')).toBe('Leaves 3 m on average; one in ten ends 6 m off.')
    expect(leavesText(one, true, 'm')).toMatch(/one in 13 finds the trouble\.$/)
    expect(leavesText({ ...one, troubleShare: 0.001 }, true, 'm')).toMatch(/hardly ever finds the trouble\.$/)
    expect(leavesText({ ...one, troubleShare: 0.7 }, true, 'm')).toMatch(/mostly finds the trouble\.$/)
    expect(landsText({ runM: -1, descentDeg: 50 }, 'm')).toMatch(/spins back/)
    expect(landsText({ runM: 1, descentDeg: 50 }, 'm')).toMatch(/stops\.$/)
    expect(landsText({ runM: 3, descentDeg: 50 }, 'm')).toBe('Runs 3 m on.')
    expect(landsText({ runM: 4, descentDeg: 38 }, 'm')).toBe('Comes in low and runs 4 m on.')
    expect(nearerText({ badLeaveM: 12 }, { badLeaveM: 9 }, 'm')).toBe('Its bad ball ends nearer: 9 m against 12.')
    expect(whyText(picked(76), 'yd')).not.toBe('')
  })
})

describe('between the swing lengths', () => {
  it('speeds and feels are read off the curve, with what one more is worth; other schools are not', () => {
    const at = (swing: string, carryYd: number, rung: number) => shot([46, swing, carryYd], { rung })
    // A coach's table of one pitching wedge (common practice): 65 mph 100 yd, 69 110, 74 122.
    const bySpeed = playerOf([at('65 mph', 100, 0), at('69 mph', 110, 1), at('74 mph', 122, 2)])
    const flown = flownShots(bySpeed, CALM_DAY).shots.map(one => ({ ...one, runM: 0 }))
    const [first] = pick(bySpeed, flown, asked(116), memo).picks
    expect(callText(first!, 'yd')).toMatch(/^7[12] mph$/)
    expect(callWorthText(first!, 'yd')).toMatch(/^One mph more is worth 2\.[2-9] yd\.$/)
    const byFeel = playerOf([at('60%', 70, 0), at('80%', 90, 1)])
    const felt = flownShots(byFeel, CALM_DAY).shots.map(one => ({ ...one, runM: 0 }))
    const [soft] = pick(byFeel, felt, asked(75), memo).picks
    expect(callText(soft!, 'yd')).toMatch(/^6[45] %$/)
    expect(callWorthText(soft!, 'yd')).toMatch(/^Ten per cent more is worth \d+\.\d yd\.$/)
    expect(callText(picked(77).picks[0]!, 'yd')).toBe('')
    expect(callWorthText(picked(77).picks[0]!, 'yd')).toBe('')
  })
})

describe('what a distance is told to', () => {
  it('the flag lies behind the front by its own distance, and before the back; a usual green without edges', () => {
    const green = { shortM: 9, longM: 15 }
    expect(flagBeyondM('flag', green)).toBe(0)
    expect(flagBeyondM('front', green)).toBe(9)
    expect(flagBeyondM('back', green)).toBe(-15)
    expect(flagBeyondM('middle', green)).toBe(-3)
    expect(flagBeyondM('front', null)).toBeCloseTo(yd(12), 6)
    expect(flagBeyondM('middle', null)).toBe(0)
  })
})

describe('two ways to one number', () => {
  const low = shot([50, 'hip', 74], { clubId: 'low', club: '46°', loftDeg: 46 })
  const high = shot([60, 'full', 75], { clubId: 'high', club: '60°' })

  it('a low and a high shot of one carry are both offered, each with what it is for', () => {
    const two = playerOf([low, high])
    const answer = pick(two, flownShots(two, CALM_DAY).shots, asked(76), memo)
    const { place, firstIs } = answer.otherWay!
    expect(answer.picks[place]!.clubId).not.toBe(answer.picks[0]!.clubId)
    const lowPlace = firstIs === 'low' ? 0 : place
    expect(answer.picks[lowPlace]!.clubId).toBe('low')
    expect(wayText(answer, lowPlace)).toMatch(/low way/)
    expect(wayText(answer, place + 5)).toBe('')
  })
  it('one way alone is offered as it is', () => {
    const one = playerOf([low])
    const answer = pick(one, flownShots(one, CALM_DAY).shots, asked(76), memo)
    expect(answer.otherWay).toBeNull()
    expect(wayText(answer, 0)).toBe('')
  })
})

describe('a player who reads totals', () => {
  it('is told the figure of the card, and plus or minus from it', () => {
    const read = figureOf(yd(74))
    expect(figureOf(metresOf(read))).toEqual(read)
    const total = playerOf([shot([56, '9:00', 74], { readM: metresOf(figureOf(yd(78))), byTotal: true })])
    const one = pick(total, flownShots(total, CALM_DAY).shots, asked(77), memo).picks[0]!
    expect(yoursText(one, 'yd')).toBe('Your 78, run counted.')
    expect(howText(one, 'yd')).toBe(howText({ ...one, numberM: yd(74) }, 'yd'))
  })
  it('every figure that is read comes back out of its metres, in both units', () => {
    for (let m = 1; m < 200; m += 0.37) expect(figureOf(metresOf(figureOf(m)))).toEqual(figureOf(m))
  })
})

describe('light rough', () => {
  it('tells the player’s own flyers where they are known', () => {
    expect(lieText('light rough', 0.08)).toMatch(/8 in 100 of yours were flyers/)
    expect(lieText('light rough', 0)).not.toMatch(/yours/)
    expect(lieText('fairway', 0.08)).toBe('')
    const shots = ['flyer', null, null, null].map((strike, i) => ({ id: String(i), strike, leftOut: null }))
    const counts = flyerCounts(
      { shots: shots.map(one => ({ ...one, clubId: 'a', rungId: 'b', balls: 1 })) as never },
      { verdicts: new Map(shots.slice(1).map(({ id }) => [id, { clean: 1, fault: null }])) as never },
    )
    expect(flyerShare(counts)).toBe(0.25)
    expect(flyerShare(new Map())).toBeNull()
  })
})
