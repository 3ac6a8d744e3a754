import { ln } from '../stats/exact'
import { absorb, makeRoom, mirror, passTime, type Belief, type Change, type Room } from './belief'
import { MODEL } from './constants'
import { BAD_KINDS, type BadKind } from './kinds'
import { priorCovariance, priorMean, type ModelCell } from './prior'
import { mixBeliefs, type Candidate } from './regularity'
import { fitSession } from './session-fit'
import { workOf, type ModelSession, type SessionColumns } from './shots'
import { noSpreadSums, updateSpread, type FitOptions, type Spread, type SpreadSums } from './spread'

export type { ModelSession, ModelShot } from './shots'

export type { FitOptions } from './spread'

export const USUAL_SPREAD: FitOptions = {
  spread: MODEL.spread,
  spreadBalls: MODEL.spreadBalls,
  mishitShare: MODEL.mishitShare,
  mishitBalls: MODEL.mishitBalls,
}

/** What one shot turned out to be. */
export interface Verdict {
  /** Probability that it is clean; not a number for one dropped before the fit. */
  clean: number
  /** What it is likeliest to be if it is not. */
  fault: BadKind
}

export interface Fit {
  /** ln stock carry of every cell, hit or not, today. */
  mean: Float64Array
  /** Its covariance, row by row. */
  covariance: Float64Array
  /** Scatter of one clean ball is spread·√looseness·(carry + 30 m). */
  spread: number
  looseness: Float64Array
  /** Balls' worth of knowledge about each cell's looseness. */
  cellDegrees: Float64Array
  /** Degrees of freedom behind the spread. */
  degrees: number
  /** The share of the player's balls that are mishit. */
  mishitShare: number
  /**
   * What the balls of each cell say for each, over all sessions, row by row: the sum of what a session's balls know
   * once the day that they share is set aside. Times the covariance it is each cell's weight in each number; all 0 when
   * no ball was taken.
   */
  information: Float64Array
  /** Each shot's verdict, by session and shot as handed in. */
  verdicts: Verdict[][]
  /** How regular the player turned out: weights of the three regularities. */
  regularity: number[]
  passes: number
}

/** Prior belief of all cells for a player this regular. */
export type PriorOf = (regularity: number) => Belief

export const priorOfCells =
  (cells: readonly ModelCell[]): PriorOf =>
  regularity => ({ mean: priorMean(cells), covariance: priorCovariance(cells, regularity) })

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

interface Settled extends Spread, SpreadSums {
  passes: number
  /** Belief on the day of the last session, and its evidence: the last pass has them already, at the final sites. */
  last: Belief & { evidence: number }
}

/**
 * Goes over the sessions until neither the carries nor the spread move.
 * @param start belief on `fromDay`; @param seen scatter known beforehand, such as that of folded sessions
 */
export function settle(
  room: Room,
  start: Belief,
  works: readonly SessionColumns[],
  fromDay: number,
  options: FitOptions,
  from: Spread,
  seen: SpreadSums,
): Settled {
  let spread = from
  let sums = seen
  let last: (Belief & { evidence: number }) | null = null
  let passes = 0
  for (;;) {
    passes++
    sums = { ...seen, cellSquares: seen.cellSquares.slice(), cellDegrees: seen.cellDegrees.slice() }
    const belief = pass(room, start, works, fromDay, spread, sums, options.changes)
    const after = updateSpread(options, spread.looseness, sums)
    let moved = last === null ? Infinity : 0
    if (last !== null)
      for (let i = 0; i < start.mean.length; i++) moved = Math.max(moved, Math.abs(belief.mean[i]! - last.mean[i]!))
    const widened = 2 * Math.abs(ln(after.spread / spread.spread))
    const learnt = Math.abs(after.mishitShare - spread.mishitShare)
    spread = after
    last = belief
    const still = moved < MODEL.stopLnCarry && widened < MODEL.stopLnSpread && learnt < MODEL.stopMishitShare
    if (still || passes === MODEL.mostPasses) return { ...spread, ...sums, passes, last }
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

/** Verdicts of one session in the order of its shots; those dropped are not a number. */
export function verdictsOf(work: SessionColumns | undefined, shots: number): Verdict[] {
  const verdicts: Verdict[] = Array.from({ length: shots }, () => ({ clean: Number.NaN, fault: 'misread' }))
  work?.source.forEach((place, k) => {
    verdicts[place] = { clean: work.clean[k]!, fault: BAD_KINDS[work.fault[k]!]! }
  })
  return verdicts
}

/** Scatter and mishits before the first ball: all cells alike. */
export const spreadBefore = ({ spread, mishitShare }: FitOptions, cells: number): Spread => ({
  spread,
  looseness: new Float64Array(cells).fill(1),
  degrees: 0,
  mishitShare,
})

/** The fit for any prior; `fitModel` is the usual door. */
export function fitWithPrior(
  priorOf: PriorOf,
  cells: number,
  sessions: readonly ModelSession[],
  today: number,
  options: FitOptions,
): Fit {
  const entries = prepare(sessions, cells)
  const works = entries.map(entry => entry.work)
  const room = roomFor(cells, works)
  const firstDay = works[0]?.day ?? today
  const { spread, looseness, degrees, mishitShare, cellDegrees, passes, last } = settle(
    room,
    priorOf(USUAL_REGULARITY),
    works,
    firstDay,
    options,
    spreadBefore(options, cells),
    noSpreadSums(cells),
  )
  const candidates = MODEL.regularities.map((regularity, k): Candidate => {
    const usual = regularity === USUAL_REGULARITY
    const belief = usual ? last : priorOf(regularity)
    const evidence = usual ? last.evidence : absorbAll(room, belief, works, firstDay, options.changes)
    passTime(belief, works.at(-1)?.day ?? today, today, options.changes)
    mirror(belief.covariance, cells)
    return { belief, logWeight: ln(MODEL.regularityWeights[k]!) + evidence }
  })
  const workAt = new Map(entries.map(({ work, session }) => [session, work]))
  return {
    ...mixBeliefs(candidates),
    spread,
    looseness,
    cellDegrees,
    mishitShare,
    passes,
    degrees: Math.max(MODEL.leastDegrees, options.spreadBalls + degrees),
    information: addInformation(new Float64Array(cells * cells), cells, works),
    verdicts: sessions.map((session, i) => verdictsOf(workAt.get(i), session.shots.length)),
  }
}

/**
 * The pooled model: what a player's balls say of every stock shot, hit or not. Deterministic and pure.
 * Sessions are gone over until nothing moves: drift, the robust rounds of each, then its sums into the belief of all
 * cells; after each pass the spread and the looseness of the cells; at the end the mixture over regularities.
 * A shot that cannot be (not finite, under 2 m, over 300 m, no such cell) is dropped; its verdict is not a number.
 * @param sessions in any order; carries in neutral air, metres; left-out shots not among them
 * @param today whole days on the same count as the sessions
 * @returns ln metres throughout; `cellEstimate` reads it
 * @see MODEL for every constant and its source
 * @example fitModel([], [], 0).mean.length // => 0
 */
export function fitModel(
  cells: readonly ModelCell[],
  sessions: readonly ModelSession[],
  today: number,
  options: FitOptions = USUAL_SPREAD,
): Fit {
  return fitWithPrior(priorOfCells(cells), cells.length, sessions, today, options)
}
