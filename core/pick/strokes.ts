import type { Level } from '../level'
import { MISHIT_SD, MISHIT_SHORT } from '../gaps/leave'
import { SIDE_OF_LEVEL, SPREAD_OF_LEVEL } from '../model/constants'
import { usualScatterM } from '../model/usual-scatter'
import type { Memo } from '../memo'
import { metresToYards, yardsToMetres } from '../units'
import { BUILT_STEPS, STROKE_PARTS } from './built-strokes'
import { STRIKES_REFINED, strikePoints } from './strikes'

/**
 * What a leave costs: average strokes to hole out. Tables from memory of M. Broadie, "Assessing golfer performance
 * using golf strokes gained", Interfaces 42 (2), 2012, 146–165, and of the same author's Every Shot Counts, 2014.
 */
const YARDS = [20, 40, 60, 80, 100, 120, 140, 160, 180, 200] as const
/** Of expert players, from so many yards. From memory. */
export const EXPERT = {
  fairway: [2.4, 2.6, 2.7, 2.75, 2.8, 2.85, 2.91, 2.98, 3.08, 3.19],
  rough: [2.59, 2.78, 2.91, 2.96, 3.02, 3.08, 3.15, 3.23, 3.31, 3.42],
  sand: [2.53, 2.82, 3.15, 3.24, 3.23, 3.21, 3.22, 3.28, 3.4, 3.55],
} as const
export type LeaveLie = keyof typeof EXPERT

/** Expert players on the green, from so many feet. From memory. */
const PUTT_FEET = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 15, 20, 30, 40, 50, 60, 90] as const
const EXPERT_PUTTS = [
  1, 1.01, 1.04, 1.13, 1.23, 1.34, 1.42, 1.5, 1.56, 1.61, 1.78, 1.87, 1.98, 2.06, 2.14, 2.21, 2.4,
] as const
/** First putts holed of one hundred, by experts and by who goes round in about 90, from so many feet. From memory. */
const HOLED_FEET = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 15, 20, 30, 60] as const
const HOLED = {
  expert: [100, 99, 96, 88, 77, 66, 58, 50, 45, 40, 23, 15, 7, 2],
  ninety: [100, 95, 84, 65, 50, 39, 32, 27, 23, 20, 11, 6, 2, 0],
} as const

/** Straight between the knots, the end beyond them. */
function along(knots: readonly number[], values: readonly number[], at: number): number {
  if (at <= knots[0]!) return values[0]!
  // Asked some hundred thousand times for one table: a plain loop.
  let next = 1
  while (next < knots.length && knots[next]! < at) next++
  if (next === knots.length) return values.at(-1)!
  const share = (at - knots[next - 1]!) / (knots[next]! - knots[next - 1]!)
  return values[next - 1]! + share * (values[next]! - values[next - 1]!)
}

/**
 * The published table, strokes, a distance in metres.
 * @example expertStrokes(yardsToMetres(70), 'fairway') // => 2.725
 */
export const expertStrokes = (distanceM: number, lie: LeaveLie): number =>
  along(YARDS, EXPERT[lie], metresToYards(distanceM))

/** How each level putts between the two rows, and how often it takes three beside an expert. Our choice. */
const PUTTING: Record<Level, { ninety: number; threes: number }> = {
  expert: { ninety: 0, threes: 1 },
  good: { ninety: 0.5, threes: 1.5 },
  unknown: { ninety: 0.5, threes: 1.5 },
  improver: { ninety: 1, threes: 2 },
  beginner: { ninety: 1.15, threes: 3 },
}

const FEET_A_METRE = 1 / 0.3048

/** Strokes to hole out from the green. @example putts(3.048, 'expert') // => 1.61 */
export function putts(distanceM: number, level: Level): number {
  const feet = distanceM * FEET_A_METRE
  const expert = along(PUTT_FEET, EXPERT_PUTTS, feet)
  const { ninety, threes } = PUTTING[level]
  const [best, other] = [along(HOLED_FEET, HOLED.expert, feet), along(HOLED_FEET, HOLED.ninety, feet)]
  // What the table has beyond one or two putts is the share of three.
  const third = Math.max(0, expert - (2 - best / 100))
  return Math.max(1, expert + (ninety * (best - other)) / 100 + (threes - 1) * third)
}

/** A green is about so far round the flag where nobody drew it. From memory. */
const GREEN_FEET = 36
export const GREEN_RADIUS_M = yardsToMetres(GREEN_FEET / 3)
/** On the course scatter is so much wider than on the range: fitted to the expert table. */
export const COURSE_SCATTER = 1.5
/** Share of mishits on the course. Our choice, the expert's fitted to the table. */
const COURSE_MISHITS: Record<Level, number> = { expert: 0.07, good: 0.09, unknown: 0.09, improver: 0.13, beginner: 0.2 }
/** The rough costs about so much beside the fairway: the expert table's mean from 20 to 140 yd. */
const ROUGH = 0.21

const FARTHEST_YD = 320
/** Shorter than this nobody pitches: it is a chip, and costs what this one does. */
const NEAREST_YD = 13

/** Strokes to hole out by whole yards of distance, from the fairway: `built[d]`. */
export type BuiltStrokes = Float64Array

/**
 * One stroke, and the mean over where the level's ball ends of what it costs from there; half of it in the rough where
 * the green is missed. It follows from the constants of this file, the model's and the leave's: `npm run strokes`
 * writes it down, and a test holds what is written to what is built.
 */
export function buildStrokes(level: Level, memo: Memo): BuiltStrokes {
  const built = new Float64Array(FARTHEST_YD + 1)
  const points = strikePoints(STRIKES_REFINED, memo)
  const mishits = COURSE_MISHITS[level]
  // Straight between whole feet, as the tables it comes from are.
  const puttsAtFoot = Float64Array.from({ length: GREEN_FEET + 2 }, (_, feet) => putts(feet / FEET_A_METRE, level))
  const putting = (restM: number): number => {
    const feet = restM * FEET_A_METRE
    const low = feet | 0
    return puttsAtFoot[low]! + (feet - low) * (puttsAtFoot[low + 1]! - puttsAtFoot[low]!)
  }
  /** From a rest that is further off than what is worked out already: the last one. */
  const from = (restM: number, last: number): number => {
    if (restM <= GREEN_RADIUS_M) return putting(restM)
    const yd = Math.min(last, Math.max(NEAREST_YD, Math.round(metresToYards(restM))))
    return built[yd]! + ROUGH / 2
  }
  for (let yd = NEAREST_YD; yd <= FARTHEST_YD; yd++) {
    const targetM = yardsToMetres(yd)
    const longSd = COURSE_SCATTER * usualScatterM(SPREAD_OF_LEVEL[level], targetM)
    const sideSd = COURSE_SCATTER * SIDE_OF_LEVEL[level] * targetM
    // The first has nothing before it: as from the fringe.
    built[yd] = yd === NEAREST_YD ? 1 + putts(GREEN_RADIUS_M, level) - 0.1 : built[yd - 1]!
    const last = Math.max(NEAREST_YD, yd - 1)
    // Each point stands with its mirror images, and a rest is as far to the left as to the right.
    const mean = (offM: number, sdM: number) => {
      let sum = 0
      for (let i = 0; i < points.length; i += 8) {
        const [past, side] = [sdM * points[i]!, sideSd * points[i + 1]!]
        const [far, near] = [offM + past, offM - past]
        sum += from(Math.sqrt(far * far + side * side), last)
        sum += from(Math.sqrt(near * near + side * side), last)
      }
      return (4 * sum) / points.length
    }
    const good = mean(0, longSd)
    const poor = mean(-MISHIT_SHORT * targetM, Math.hypot(MISHIT_SD * targetM, longSd))
    built[yd] = 1 + (1 - mishits) * good + mishits * poor
  }
  for (let yd = 0; yd < NEAREST_YD; yd++) built[yd] = built[NEAREST_YD]!
  return built
}

/** The built row of a level, to a hundred-thousandth, as it is written down: building it would hold up a page. */
export const builtStrokes = (level: Level, memo: Memo): BuiltStrokes =>
  memo.recall('strokes', level, () => {
    let sum = 0
    return Float64Array.from(BUILT_STEPS[level], step => (sum += step) / STROKE_PARTS)
  })

/** What it costs from off the green, by level. */
interface OffGreen {
  level: Level
  built: BuiltStrokes
}

/** What it costs from wherever a ball stops, by level: on the green, and beside it, by quarters of a metre. */
export interface Costs extends OffGreen {
  putting: Float64Array
  beside: Float64Array
}

export const STEPS_A_METRE = 4
/** Farther from the flag than this costs what this does. */
export const FARTHEST_REST_M = 120

export const costsOf = (level: Level, memo: Memo): Costs =>
  memo.recall('costs', level, () => {
    const off = { level, built: builtStrokes(level, memo) }
    const table = (of: (m: number) => number) =>
      Float64Array.from({ length: FARTHEST_REST_M * STEPS_A_METRE + 2 }, (_, i) => of(i / STEPS_A_METRE))
    return { ...off, putting: table(m => putts(m, level)), beside: table(m => strokesBeside(m, off)) }
  })

/**
 * Strokes to hole out from off the green, from the fairway: the published table for experts, the built one for others.
 */
export function strokesFrom(distanceM: number, { level, built }: OffGreen): number {
  if (level === 'expert') return expertStrokes(distanceM, 'fairway')
  const yd = Math.min(FARTHEST_YD, Math.max(0, metresToYards(distanceM)))
  const low = Math.floor(yd)
  const high = Math.min(FARTHEST_YD, low + 1)
  return built[low]! + (yd - low) * (built[high]! - built[low]!)
}

/** The same where nobody knows whether it lies in the fairway or in the rough: half and half. */
export const strokesBeside = (distanceM: number, costs: OffGreen): number => strokesFrom(distanceM, costs) + ROUGH / 2
