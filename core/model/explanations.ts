import { exp, ln } from '../stats/exact'
import { widenByDoubt } from './ball-doubt'
import { mirror, passTime, type Belief, type Room } from './belief'
import { MODEL } from './constants'
import { oddCells } from './odd-cells'
import { evidenceOfShare, openShares } from './open-shares'
import type { Candidate } from './regularity'
import {
  absorbAll,
  addInformation,
  roomFor,
  settle,
  spreadBefore,
  USUAL_REGULARITY,
  type Settled,
  type SettleFrom,
} from './settle'
import { beginAnew, judgedOf, putBack, type Judged, type SessionColumns } from './shots'
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

/** One record, and the room in which it is gone over. */
interface Search {
  room: Room
  priorOf: PriorOf
  cells: number
  works: readonly SessionColumns[]
  firstDay: number
  today: number
  options: FitOptions
}

function priorFor({ priorOf, cells }: Search, regularity: number, odd: readonly number[]): Belief {
  const belief = priorOf(regularity)
  for (const cell of odd) belief.covariance[cell * cells + cell]! += MODEL.oddSd * MODEL.oddSd
  return belief
}

function settled(search: Search, odd: readonly number[], from: SettleFrom, by: FitOptions, most?: number): Settled {
  const { room, works, firstDay, cells, options } = search
  const seen = noSpreadSums(cells, options.judgedByCoach)
  return settle(room, priorFor(search, USUAL_REGULARITY, odd), works, firstDay, by, from, seen, most)
}

/** Beside the evidence of its beliefs: what the balls say for this share and spread, and how rare odd shots are. */
const evidenceBeside = ({ works, options }: Search, odd: readonly number[], found: Settled) =>
  evidenceOfShare(found, works, options) + odd.length * ln(MODEL.oddShare / (1 - MODEL.oddShare))

/** Settles, and asks all that is asked of the sites before they go on to another explanation. */
function explain(search: Search, odd: readonly number[], from: SettleFrom | Settled, by: FitOptions): Explanation {
  const { room, works, firstDay, today, cells, options } = search
  const found = 'still' in from && from.still ? from : settled(search, odd, from, by)
  const candidates = MODEL.regularities.map((regularity, k): Candidate => {
    const usual = regularity === USUAL_REGULARITY
    const { mean, covariance } = found.last
    const belief = usual ? { mean: mean.slice(), covariance: covariance.slice() } : priorFor(search, regularity, odd)
    const evidence = usual ? found.last.evidence : absorbAll(room, belief, works, firstDay, options.changes)
    widenByDoubt(belief, works)
    passTime(belief, works.at(-1)?.day ?? today, today, options.changes)
    mirror(belief.covariance, cells)
    return { belief, logWeight: ln(MODEL.regularityWeights[k]!) + evidence }
  })
  return {
    odd,
    settled: found,
    candidates,
    evidence: evidenceBeside(search, odd, found),
    information: addInformation(new Float64Array(cells * cells), cells, works),
    clean: works.map(work => work.clean.slice()),
  }
}

/** An explanation as far as it takes to see what it is worth, and where its shots stood then. */
interface Look {
  odd: readonly number[]
  settled: Settled
  judged: Judged[]
  /** ln: to be held against that of another look at the same record. */
  weight: number
  /** Of few balls: all of it. */
  whole?: Explanation
}

const judgedAll = (works: readonly SessionColumns[]) => works.map(judgedOf)
const putBackAll = (works: readonly SessionColumns[], judged: readonly Judged[]) =>
  works.forEach((work, s) => putBack(work, judged[s]!))

/** Of many balls it is looked at a usual player alone, and not to the end. */
const hasMany = (works: readonly SessionColumns[]) =>
  works.reduce((sum, { at }) => sum + at.length, 0) >= MODEL.lookBalls

const asLook = (whole: Explanation, works: readonly SessionColumns[]): Look => ({
  odd: whole.odd,
  settled: whole.settled,
  judged: judgedAll(works),
  weight: hasMany(works) ? whole.evidence + whole.settled.last.evidence : weightOf(whole),
  whole,
})

/** Which sets of cells may be worth freeing next, those alone first whose freeing may be worth most. */
function setsToFree(search: Search, from: Look): number[][] {
  const { works, firstDay, options } = search
  const prior = priorFor(search, USUAL_REGULARITY, from.odd)
  passTime(prior, firstDay, works.at(-1)?.day ?? firstDay, options.changes)
  const doubtful = oddCells(prior, from.settled.last, works, from.odd)
  const sets = doubtful.length > MOST_ONE_BY_ONE ? [] : doubtful.slice(0, MODEL.oddTries).map(cell => [cell])
  return doubtful.length > 1 ? [...sets, doubtful] : sets
}

/** Goes on with its works as they stand, so far that it is seen what it is worth. */
function look(search: Search, odd: readonly number[], from: SettleFrom): Look {
  const { works, options } = search
  if (!hasMany(works)) return asLook(explain(search, odd, from, options), works)
  const found = settled(search, odd, from, options, MODEL.lookPasses)
  const weight = evidenceBeside(search, odd, found) + found.last.evidence
  return { odd, settled: found, judged: judgedAll(works), weight }
}

/**
 * The cells freed that raise the evidence most, of what may be worth it.
 * @param others what was looked at and not taken, added to
 * @returns null where none is worth it
 */
function freeMore(search: Search, from: Look, others: Look[]): Look | null {
  const { works } = search
  const sets = setsToFree(search, from)
  if (sets.length === 0) return null
  const inDoubt = new Set(sets.flat())
  const { spread, looseness, degrees, mishitShare } = from.settled
  const looks = sets.map(more => {
    putBackAll(works, from.judged)
    // Those of all sets begin anew, as they were doubted.
    for (const work of works) beginAnew(work, inDoubt)
    return look(search, [...from.odd, ...more], { spread, looseness, degrees, mishitShare })
  })
  putBackAll(works, from.judged)
  const without = from.settled.still ? from : look(search, from.odd, from.settled)
  const best = looks.reduce((most, one) => (one.weight > most.weight ? one : most))
  const isWorth = best.weight > without.weight + MODEL.oddWorth
  others.push(...(isWorth ? [without] : []), ...looks.filter(one => !isWorth || one !== best))
  return isWorth ? best : null
}

/**
 * Frees cells again and again as long as that is worth it, and goes on with the likeliest to its end. The works are
 * left as it has them.
 * @returns it, and the looks at what was not taken
 */
function freeCells(search: Search): { likeliest: Explanation; others: Look[] } {
  const { works, options, cells } = search
  const others: Look[] = []
  let at = look(search, [], spreadBefore(options, cells))
  for (;;) {
    for (let more = freeMore(search, at, others); more; more = freeMore(search, at, others)) at = more
    putBackAll(works, at.judged)
    if (at.whole) return { likeliest: at.whole, others }
    const likeliest = explain(search, at.odd, at.settled, options)
    const whole = asLook(likeliest, works)
    const more = freeMore(search, whole, others)
    putBackAll(works, whole.judged)
    if (!more) return { likeliest, others }
    at = more
  }
}

/** Other shares of mishits that the balls leave open, each from where its neighbour ended. */
function withOtherShares(search: Search, likeliest: Explanation): Explanation[] {
  const { options } = search
  const shares: Explanation[] = []
  for (const row of openShares(likeliest.settled.mishitShare, likeliest.settled.judged, options.mishitBalls)) {
    let from: Spread = likeliest.settled
    for (const mishitShare of row) {
      const told = { ...options, mishitShare, mishitBalls: Infinity }
      const { spread, looseness, degrees } = from
      const other = explain(search, likeliest.odd, { spread, looseness, degrees, mishitShare }, told)
      if (!(weightOf(other) >= weightOf(likeliest) - NOT_WORTH_A_FIT)) break
      shares.push(other)
      from = other.settled
    }
  }
  return shares
}

/** The looks that may change a number, gone over to their end. */
function whole(search: Search, looks: readonly Look[], likeliest: Explanation): Explanation[] {
  const least = asLook(likeliest, search.works).weight - NOT_WORTH_A_FIT
  return looks
    .filter(one => one.weight >= least)
    .map(one => {
      if (one.whole) return one.whole
      putBackAll(search.works, one.judged)
      return explain(search, one.odd, one.settled, search.options)
    })
    .filter(one => weightOf(one) >= weightOf(likeliest) - NOT_WORTH_A_FIT)
}

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
  const firstDay = works[0]?.day ?? today
  const search: Search = { room: roomFor(cells, works), priorOf, cells, works, firstDay, today, options }
  const { likeliest, others } = freeCells(search)
  // Of a record beyond all measure (a pile of a thousand, hundreds of metres long) nothing can be weighed.
  if (!Number.isFinite(weightOf(likeliest))) return [{ ...likeliest, evidence: 0 }]
  const judged = judgedAll(works)
  const shares = withOtherShares(search, likeliest)
  const worth = whole(search, others, likeliest)
  putBackAll(works, judged)
  // The others leave the share as open as the likeliest does, though one alone was tried of each.
  const open = ln(shares.reduce((sum, one) => sum + exp(weightOf(one) - weightOf(likeliest)), 1))
  return [likeliest, ...shares, ...worth.map(one => ({ ...one, evidence: one.evidence + open }))]
}
