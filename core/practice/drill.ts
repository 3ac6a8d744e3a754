import type { StockShot } from '../bag/bag'
import type { Level } from '../level'
import type { Hand, NaturalShape } from '../shot/hand'
import { fromUnit, toUnit, type DistanceUnit } from '../units'
import type { DrillOrder, DrillSpec, Measure, ScoreKind } from './drill-spec'
import { drawn } from './draw'

/** A stock shot with a number, to make drills of. Metres. */
export interface DrillNumber extends StockShot {
  carryM: number
}

/** What a drill is made for. */
export interface DrillMaker {
  level: Level
  /** The player's numbers, shortest first. */
  numbers: readonly DrillNumber[]
  /** Named speeds of the player's scale, m/s. */
  speedsMs: readonly number[]
  /** Clubs from the longest to the shortest. */
  clubIds: readonly string[]
  /** The hand the player plays with; missing is the right one. */
  hand?: Hand
  /** How ordinary balls curve, where that was read. */
  natural?: NaturalShape | null
  /** What is to be practised most, metres; drills of one target take it. */
  aboutM?: number
  /** Targets are whole ones of this unit. */
  unit: DistanceUnit
  seed: number
}

/** A drill: what it needs, what it asks and how it is scored. Its words stand by its id. */
export interface Drill {
  meta: {
    id: string
    /** Numbers that the player must have. */
    needs: number
    /** Balls and minutes of a usual go. */
    balls: number
    minutes: number
    measure: Measure
    order: DrillOrder
    score: ScoreKind
    /** A figure that only a device reads, or that somebody sees: without one, one tap tells it. */
    watches?: 'side' | 'speed' | 'launch'
    /** Short shots that never tell the chart anything. */
    touch?: true
  }
  /** The drill for a player; null without what it needs. */
  make: (maker: DrillMaker) => DrillSpec | null
}

/** A spec with what its drill's meta says. */
export function specOf(
  { meta: { id, measure, order, score } }: Pick<Drill, 'meta'>,
  { level, seed }: DrillMaker,
  more: Pick<DrillSpec, 'tasks' | 'ballsEach'> & Partial<DrillSpec>,
): DrillSpec {
  return { drill: id, measure, order, score, stop: { kind: 'balls' }, level, seed, ...more }
}

/** To a whole one of the unit, metres. @example wholeM(50.2, 'm') // => 50 */
export const wholeM = (metres: number, unit: DistanceUnit): number => fromUnit(Math.round(toUnit(metres, unit)), unit)

/** So many of a list, evenly spaced, first and last among them. @example evenly([1, 2, 3, 4, 5], 3) // => [1, 3, 5] */
export function evenly<T>(list: readonly T[], count: number): T[] {
  if (list.length <= count) return [...list]
  return Array.from({ length: count }, (_, i) => list[Math.round((i * (list.length - 1)) / Math.max(1, count - 1))]!)
}

/** Distances from the shortest number to the longest, one drawn from each of so many even parts; whole ones. */
export function drawnTargets({ numbers, unit, seed }: DrillMaker, count: number): number[] {
  const [least, most] = [toUnit(numbers[0]!.carryM, unit), toUnit(numbers.at(-1)!.carryM, unit)]
  const part = (most - least) / count
  const targets = Array.from({ length: count }, (_, i) =>
    Math.round(Math.min(most, Math.max(least, least + (i + drawn(seed, i, 991)) * part))),
  )
  return [...new Set(targets)].map(value => fromUnit(value, unit))
}

/** The number nearest to a distance. @param numbers at least one */
export const nearestNumber = (numbers: readonly DrillNumber[], atM: number): DrillNumber =>
  numbers.reduce((a, b) => (Math.abs(b.carryM - atM) < Math.abs(a.carryM - atM) ? b : a))

/** What is asked about: what is to be practised, else the middle number. */
export const aboutOf = ({ numbers, aboutM }: DrillMaker): number =>
  aboutM ?? numbers[Math.floor(numbers.length / 2)]!.carryM

/** Two numbers of different clubs that lie nearest to each other about a distance; null without two clubs. */
export function nearPair(maker: DrillMaker): [DrillNumber, DrillNumber] | null {
  const at = aboutOf(maker)
  const pairs = maker.numbers.flatMap((a, i) =>
    maker.numbers.slice(i + 1).flatMap(b => (a.clubId === b.clubId ? [] : [[a, b] as [DrillNumber, DrillNumber]])),
  )
  const cost = ([a, b]: [DrillNumber, DrillNumber]) =>
    b.carryM - a.carryM + Math.abs((a.carryM + b.carryM) / 2 - at) / 2
  return pairs.reduce<[DrillNumber, DrillNumber] | null>(
    (best, pair) => (!best || cost(pair) < cost(best) ? pair : best),
    null,
  )
}
