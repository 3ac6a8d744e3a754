import { exp, ln } from '../stats/exact'
import { widenByDoubt } from './ball-doubt'
import { mirror, passTime, type Belief } from './belief'
import { MODEL } from './constants'
import { oddCells } from './odd-cells'
import { evidenceOfShare, openShares } from './open-shares'
import type { Candidate } from './regularity'
import { absorbAll, addInformation, roomFor, settle, spreadBefore, USUAL_REGULARITY, type Settled } from './settle'
import { beginAnew, judgedOf, putBack, type SessionColumns } from './shots'
import { noSpreadSums, type FitOptions, type Spread } from './spread'

/** Prior belief of all cells for a player this regular. */
export type PriorOf = (regularity: number) => Belief

/**
 * One way to explain a player's balls: which stock shots are no relatives of the others, and how often he mishits. What
 * the sessions say if it is so: a belief for each regularity, and all that came with it.
 */
export interface Explanation {
  /** Cells that go by their own balls. */
  odd: readonly number[]
  settled: Settled
  candidates: Candidate[]
  /** ln of what the balls and what was known before say for it, beside the evidence in its candidates. */
  evidence: number
  information: Float64Array
  clean: Float64Array[]
}

/** An explanation so much unlikelier than the likeliest, in ln, changes no number. */
const NOT_WORTH_A_FIT = 5
/** Where more cells are in doubt none of them alone explains the rest: all are freed at once. Our choice. */
const MOST_ONE_BY_ONE = 8

const weightOf = ({ candidates, evidence }: Explanation) =>
  evidence + Math.max(...candidates.map(({ logWeight }) => logWeight))

/** Its candidates, weighed against those of all others. */
export const candidatesOf = ({ candidates, evidence }: Explanation): Candidate[] =>
  candidates.map(({ belief, logWeight }) => ({ belief, logWeight: logWeight + evidence }))

/**
 * The likeliest explanation first, then the others that the balls leave open. No stock shot may be a surprise: a cell's
 * own quirk is some hundredths, so eight balls that agree at two thirds of what is predicted would be eight mishits to
 * it. Where a cell's balls and the others disagree it is freed, one after the other and all of them at once, as long as
 * the evidence grows; where none does, nothing is tried.
 * @param works as `prepare` made them; left as the likeliest explanation has them
 */
export function explanations(
  priorOf: PriorOf,
  cells: number,
  works: readonly SessionColumns[],
  today: number,
  options: FitOptions,
): Explanation[] {
  const room = roomFor(cells, works)
  const firstDay = works[0]?.day ?? today
  const before = spreadBefore(options, cells)
  const lnOdd = ln(MODEL.oddShare / (1 - MODEL.oddShare))

  function priorFor(regularity: number, odd: readonly number[]): Belief {
    const belief = priorOf(regularity)
    for (const cell of odd) belief.covariance[cell * cells + cell]! += MODEL.oddSd * MODEL.oddSd
    return belief
  }

  /** Settles, and asks all that is asked of the sites before they go on to another explanation. */
  function explain(odd: readonly number[], from: Spread, by: FitOptions): Explanation {
    const settled = settle(
      room,
      priorFor(USUAL_REGULARITY, odd),
      works,
      firstDay,
      by,
      from,
      noSpreadSums(cells, options.judgedByCoach),
    )
    const candidates = MODEL.regularities.map((regularity, k): Candidate => {
      const usual = regularity === USUAL_REGULARITY
      const { mean, covariance } = settled.last
      const belief = usual ? { mean: mean.slice(), covariance: covariance.slice() } : priorFor(regularity, odd)
      const evidence = usual ? settled.last.evidence : absorbAll(room, belief, works, firstDay, options.changes)
      widenByDoubt(belief, works)
      passTime(belief, works.at(-1)?.day ?? today, today, options.changes)
      mirror(belief.covariance, cells)
      return { belief, logWeight: ln(MODEL.regularityWeights[k]!) + evidence }
    })
    return {
      odd,
      settled,
      candidates,
      evidence: evidenceOfShare(settled, works, options) + odd.length * lnOdd,
      information: addInformation(new Float64Array(cells * cells), cells, works),
      clean: works.map(work => work.clean.slice()),
    }
  }

  let likeliest = explain([], before, options)
  // Of a record beyond all measure (a pile of a thousand, hundreds of metres long) nothing can be weighed.
  if (!Number.isFinite(weightOf(likeliest))) return [{ ...likeliest, evidence: 0 }]
  const others: Explanation[] = []

  /** Frees the cells that raise the evidence most; false where none does. */
  function freeMore(): boolean {
    const prior = priorFor(USUAL_REGULARITY, likeliest.odd)
    passTime(prior, firstDay, works.at(-1)?.day ?? firstDay, options.changes)
    const doubtful = oddCells(prior, likeliest.settled.last, works, likeliest.odd)
    const tries = doubtful.length > MOST_ONE_BY_ONE ? [] : doubtful.slice(0, MODEL.oddTries).map(cell => [cell])
    if (doubtful.length > 1) tries.push(doubtful)
    const inDoubt = new Set(doubtful)
    const judged = works.map(judgedOf)
    let best = { one: likeliest, judged, weight: weightOf(likeliest) + MODEL.oddWorth }
    for (const more of tries) {
      works.forEach((work, s) => {
        putBack(work, judged[s]!)
        beginAnew(work, inDoubt)
      })
      const one = explain([...likeliest.odd, ...more], likeliest.settled, options)
      const weight = weightOf(one)
      others.push(one)
      if (weight > best.weight) best = { one, judged: works.map(judgedOf), weight }
    }
    works.forEach((work, s) => putBack(work, best.judged[s]!))
    if (best.one === likeliest) return false
    others.push(likeliest)
    likeliest = best.one
    return true
  }
  let freed = true
  while (freed) freed = freeMore()

  const judged = works.map(judgedOf)
  const shares: Explanation[] = []
  for (const row of openShares(likeliest.settled.mishitShare, likeliest.settled.judged, options.mishitBalls)) {
    let from: Spread = likeliest.settled
    for (const mishitShare of row) {
      const told = { ...options, mishitShare, mishitBalls: Infinity }
      const other = explain(likeliest.odd, { ...from, mishitShare }, told)
      if (!(weightOf(other) >= weightOf(likeliest) - NOT_WORTH_A_FIT)) break
      shares.push(other)
      from = other.settled
    }
  }
  works.forEach((work, s) => putBack(work, judged[s]!))
  // The others leave the share as open as the likeliest does, though one alone was tried of each.
  const open = ln(shares.reduce((sum, one) => sum + exp(weightOf(one) - weightOf(likeliest)), 1))
  const least = weightOf(likeliest) - NOT_WORTH_A_FIT
  const worth = others.filter(one => one !== likeliest && weightOf(one) >= least)
  return [likeliest, ...shares, ...worth.map(one => ({ ...one, evidence: one.evidence + open }))]
}
