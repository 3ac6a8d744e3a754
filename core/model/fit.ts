import { ln } from '../stats/exact'
import { mirror, passTime, type Belief } from './belief'
import { MODEL } from './constants'
import { BAD_KINDS, type BadKind } from './kinds'
import { evidenceOfShare, openShares } from './open-shares'
import { priorCovariance, priorMean, type ModelCell } from './prior'
import { mixBeliefs, type Candidate } from './regularity'
import {
  absorbAll,
  addInformation,
  prepare,
  roomFor,
  settle,
  spreadBefore,
  USUAL_REGULARITY,
  type Settled,
} from './settle'
import type { ModelSession, SessionColumns } from './shots'
import { noSpreadSums, type FitOptions, type Spread } from './spread'

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

const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0)

/** Verdicts of one session in the order of its shots; those dropped are not a number. */
export function verdictsOf(work: SessionColumns | undefined, shots: number): Verdict[] {
  const verdicts: Verdict[] = Array.from({ length: shots }, () => ({ clean: Number.NaN, fault: 'misread' }))
  work?.source.forEach((place, k) => {
    verdicts[place] = { clean: work.clean[k]!, fault: BAD_KINDS[work.fault[k]!]! }
  })
  return verdicts
}

/** What the sessions say if the player mishits so often: a belief for each regularity, and all that came with it. */
interface Settlement {
  settled: Settled
  candidates: Candidate[]
  information: Float64Array
  clean: Float64Array[]
}

/** A share so much unlikelier than the likeliest, in ln, changes no number; nor do those beyond it. */
const NOT_WORTH_A_FIT = 5

/** The likeliest share of mishits first, then the others that the balls leave open; the likeliest faults stay. */
function settleAll(
  priorOf: PriorOf,
  cells: number,
  works: readonly SessionColumns[],
  today: number,
  options: FitOptions,
): Settlement[] {
  const room = roomFor(cells, works)
  const firstDay = works[0]?.day ?? today
  const settleFrom = (from: Spread, by: FitOptions) =>
    settle(room, priorOf(USUAL_REGULARITY), works, firstDay, by, from, noSpreadSums(cells))
  /** All that is asked of the sites, before they go on to another share. */
  const settlementOf = (settled: Settled, evidenceOfAll: number): Settlement => ({
    settled,
    candidates: MODEL.regularities.map((regularity, k): Candidate => {
      const usual = regularity === USUAL_REGULARITY
      const belief = usual ? settled.last : priorOf(regularity)
      const evidence = usual ? settled.last.evidence : absorbAll(room, belief, works, firstDay, options.changes)
      passTime(belief, works.at(-1)?.day ?? today, today, options.changes)
      mirror(belief.covariance, cells)
      return { belief, logWeight: ln(MODEL.regularityWeights[k]!) + evidence + evidenceOfAll }
    }),
    information: addInformation(new Float64Array(cells * cells), cells, works),
    clean: works.map(work => work.clean.slice()),
  })

  const best = settleFrom(spreadBefore(options, cells), options)
  const open = openShares(best.mishitShare, best.judged, options.mishitBalls)
  const evidence = open.length === 0 ? 0 : evidenceOfShare(best, works, options)
  // Of a record beyond all measure (a pile of a thousand, hundreds of metres long) no share can be weighed.
  if (open.length === 0 || !Number.isFinite(evidence)) return [settlementOf(best, 0)]
  const weightOf = ({ candidates }: Settlement) => Math.max(...candidates.map(({ logWeight }) => logWeight))
  const likeliest = settlementOf(best, evidence)
  const faults = works.map(work => work.fault.slice())
  const all = [likeliest]
  for (const row of open) {
    let from: Spread = best
    for (const mishitShare of row) {
      const found = settleFrom({ ...from, mishitShare }, { ...options, mishitShare, mishitBalls: Infinity })
      const other = settlementOf(found, evidenceOfShare(found, works, options))
      const weight = weightOf(other)
      if (!Number.isFinite(weight) || weight < weightOf(likeliest) - NOT_WORTH_A_FIT) break
      all.push(other)
      from = found
    }
  }
  works.forEach((work, s) => work.fault.set(faults[s]!))
  return all
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
  const all = settleAll(priorOf, cells, works, today, options)
  const { mean, covariance, weights } = mixBeliefs(all.flatMap(({ candidates }) => candidates))
  const regularities = MODEL.regularities.length
  const shareWeights = all.map((_, i) => sum(weights.slice(i * regularities, (i + 1) * regularities)))
  const mixed = (of: (one: Settlement) => number) => sum(all.map((one, i) => shareWeights[i]! * of(one)))
  const mixedAll = (of: (one: Settlement) => Float64Array) => of(all[0]!).map((_, k) => mixed(one => of(one)[k]!))
  works.forEach((work, s) => work.clean.set(mixedAll(({ clean }) => clean[s]!)))
  const workAt = new Map(entries.map(({ work, session }) => [session, work]))
  return {
    mean,
    covariance,
    regularity: MODEL.regularities.map((_, k) => sum(weights.filter((__, i) => i % regularities === k))),
    spread: Math.sqrt(mixed(({ settled }) => settled.spread ** 2)),
    looseness: mixedAll(({ settled }) => settled.looseness),
    cellDegrees: mixedAll(({ settled }) => settled.cellDegrees),
    mishitShare: mixed(({ settled }) => settled.mishitShare),
    passes: all[0]!.settled.passes,
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
