import { MODEL } from './constants'
import { candidatesOf, explanations, type Explanation, type PriorOf } from './explanations'
import { BAD_KINDS, type BadKind } from './kinds'
import { holdToOwnBalls } from './own-balls'
import { priorCovariance, priorMean, type ModelCell } from './prior'
import { mixBeliefs } from './regularity'
import { prepare } from './settle'
import type { ModelSession, SessionColumns } from './shots'
import type { FitOptions } from './spread'

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
  /** How many ways to explain the balls are carried beside each other: shares of mishits, and stock shots gone odd. */
  explanations: number
}

export const priorOfCells =
  (cells: readonly ModelCell[]): PriorOf =>
  regularity => ({ mean: priorMean(cells), covariance: priorCovariance(cells, regularity) })

const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0)

/** Verdicts of one session in the order of its shots; those dropped are not a number. */
export function verdictsOf(work: SessionColumns | undefined, shots: number): Verdict[] {
  const verdicts: Verdict[] = Array.from({ length: shots }, () => ({ clean: Number.NaN, fault: 'misread' }))
  work?.source.forEach((place, k) => {
    verdicts[place] = { clean: work.clean[k]!, fault: BAD_KINDS[work.fault[k]!]! }
  })
  return verdicts
}

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
  const all = explanations(priorOf, cells, works, today, options)
  const { mean, covariance, weights } = mixBeliefs(all.flatMap(candidatesOf))
  const regularities = MODEL.regularities.length
  const shareWeights = all.map((_, i) => sum(weights.slice(i * regularities, (i + 1) * regularities)))
  const mixed = (of: (one: Explanation) => number) => sum(all.map((one, i) => shareWeights[i]! * of(one)))
  const mixedAll = (of: (one: Explanation) => Float64Array) => of(all[0]!).map((_, k) => mixed(one => of(one)[k]!))
  works.forEach((work, s) => work.clean.set(mixedAll(({ clean }) => clean[s]!)))
  const mishitShare = mixed(({ settled }) => settled.mishitShare)
  holdToOwnBalls(mean, works, today, { mishitShare, changes: options.changes })
  const workAt = new Map(entries.map(({ work, session }) => [session, work]))
  return {
    mean,
    covariance,
    regularity: MODEL.regularities.map((_, k) => sum(weights.filter((__, i) => i % regularities === k))),
    spread: Math.sqrt(mixed(({ settled }) => settled.spread ** 2)),
    looseness: mixedAll(({ settled }) => settled.looseness),
    cellDegrees: mixedAll(({ settled }) => settled.cellDegrees),
    mishitShare,
    passes: all[0]!.settled.passes,
    explanations: all.length,
    degrees: Math.max(MODEL.leastDegrees, options.spreadBalls + mixed(({ settled }) => settled.degrees)),
    information: mixedAll(({ information }) => information),
    verdicts: sessions.map((session, i) => verdictsOf(workAt.get(i), session.shots.length)),
  }
}

/**
 * The pooled model: what a player's balls say of every stock shot, hit or not. Deterministic and pure.
 * Sessions are gone over until nothing moves: drift, the robust rounds of each, then its sums into the belief of all
 * cells; after each pass the spread and the looseness of the cells; at the end the mixture over regularities, and over
 * the shares of mishits while the balls leave them open.
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
