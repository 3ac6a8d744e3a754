import { ln } from '../stats/exact'
import { absorb, makeRoom, passTime, type Belief, type Change, type Room } from './belief'
import { MODEL } from './constants'
import { fitSession } from './session-fit'
import { workOf, type ModelSession, type SessionColumns } from './shots'
import { updateSpread, type FitOptions, type Spread, type SpreadSums } from './spread'

/** Sessions oldest first, each with its place in the list handed in; those without a possible shot fall out. */
export function prepare(sessions: readonly ModelSession[], cells: number): { work: SessionColumns; session: number }[] {
  return sessions
    .map((session, i) => ({ work: workOf(session, cells), session: i }))
    .filter((entry): entry is { work: SessionColumns; session: number } => entry.work !== null)
    .sort((a, b) => a.work.day - b.work.day)
}

export const roomFor = (cells: number, works: readonly SessionColumns[]): Room =>
  makeRoom(cells, Math.max(1, ...works.map(work => work.cells.length)))

export const USUAL_REGULARITY = 1

/** Takes all sessions, oldest first, into a belief. @returns the log evidence of them all */
export function absorbAll(
  room: Room,
  belief: Belief,
  works: readonly SessionColumns[],
  fromDay: number,
  changes: readonly Change[] = [],
): number {
  let day = fromDay
  let evidence = 0
  for (const work of works) {
    passTime(belief, day, work.day, changes)
    day = work.day
    evidence += absorb(room, belief, work, work.daySd)
  }
  return evidence
}

/** One pass over the sessions: the belief after them, its evidence, and what their scatter tells. */
function pass(
  room: Room,
  start: Belief,
  works: readonly SessionColumns[],
  fromDay: number,
  before: Spread,
  seen: SpreadSums,
  changes: readonly Change[] = [],
): Belief & { evidence: number } {
  const belief: Belief = { mean: start.mean.slice(), covariance: start.covariance.slice() }
  let evidence = 0
  let day = fromDay
  for (const work of works) {
    passTime(belief, day, work.day, changes)
    day = work.day
    fitSession(room, work, belief, before, seen)
    evidence += absorb(room, belief, work, work.daySd)
  }
  return { ...belief, evidence }
}

/** What going over the sessions came to. */
export interface Settled extends Spread, SpreadSums {
  passes: number
  /** Whether nothing moves any more. */
  still: boolean
  /** Belief on the day of the last session, and its evidence: the last pass has them already, at the final sites. */
  last: Belief & { evidence: number }
}

/** Where going over the sessions begins: scatter as it stands and, where they have been gone over, what came of it. */
export type SettleFrom = Spread & Partial<Pick<Settled, 'passes' | 'last'>>

/**
 * Goes over the sessions until neither the carries nor the spread move.
 * @param start belief on `fromDay`; @param seen scatter known beforehand, such as that of folded sessions
 * @param most passes: fewer where it is only looked what an explanation may be worth
 */
export function settle(
  room: Room,
  start: Belief,
  works: readonly SessionColumns[],
  fromDay: number,
  options: FitOptions,
  from: SettleFrom,
  seen: SpreadSums,
  most: number = MODEL.mostPasses,
): Settled {
  let spread: Spread = from
  let { last, passes = 0 } = from
  const end = Math.max(passes + 1, Math.min(MODEL.mostPasses, passes + most))
  for (;;) {
    passes++
    const sums = { ...seen, cellSquares: seen.cellSquares.slice(), cellDegrees: seen.cellDegrees.slice() }
    const belief = pass(room, start, works, fromDay, spread, sums, options.changes)
    const after = updateSpread(options, spread.looseness, sums)
    let moved = last ? 0 : Infinity
    if (last)
      for (let i = 0; i < start.mean.length; i++) moved = Math.max(moved, Math.abs(belief.mean[i]! - last.mean[i]!))
    const widened = 2 * Math.abs(ln(after.spread / spread.spread))
    const learnt = Math.abs(after.mishitShare - spread.mishitShare)
    spread = after
    last = belief
    const still = moved < MODEL.stopLnCarry && widened < MODEL.stopLnSpread && learnt < MODEL.stopMishitShare
    if (still || passes >= end) return { ...spread, ...sums, passes, last, still }
  }
}

/** Adds what the balls of each session say beyond their common day: A − A·1·1ᵀ·A / (1/day² + 1ᵀ·A·1). */
export function addInformation(to: Float64Array, n: number, works: readonly SessionColumns[]): Float64Array {
  for (const { cells, precision, daySd } of works) {
    const whole = 1 / (daySd * daySd) + precision.reduce((sum, p) => sum + p, 0)
    for (let i = 0; i < cells.length; i++) {
      to[cells[i]! * n + cells[i]!]! += precision[i]!
      for (let j = 0; j < cells.length; j++) to[cells[i]! * n + cells[j]!]! -= (precision[i]! * precision[j]!) / whole
    }
  }
  return to
}

/** Scatter and mishits before the first ball: all cells alike. */
export const spreadBefore = ({ spread, mishitShare }: FitOptions, cells: number): Spread => ({
  spread,
  looseness: new Float64Array(cells).fill(1),
  degrees: 0,
  mishitShare,
})
