import { exp, ln } from '../stats/exact'
import { Z_80 } from '../stats/normal'
import { yardsToMetres } from '../units'
import { passTime, type Change } from './belief'
import { ASK, MODEL, MOVED_BY } from './constants'
import { expectedRange } from './pile-extent'
import type { SessionColumns } from './shots'

/** Balls of one cell as a coach sees them lie, metres: one ball, or the half of a pile about its middle. */
interface Seen {
  carryM: number
  lowM: number
  highM: number
  balls: number
  /** Balls by how likely they are clean. */
  weight: number
  /** How far all balls of that day may be off together, beyond the usual form. */
  marginM: number
}

/** A poor ball counts a little, since all of a cell's may be taken for poor. Our choice. */
const POOR_WEIGHT = 0.05
const YARD_M = yardsToMetres(1)

/** Balls of this season are held to as they lie; older ones less, by what has drifted since. Our choice. */
const SEASON_DAYS = 180

/** Variance of ln carry that has come to one cell since a day: by drift beyond a season, and by marked changes. */
function driftSince(day: number, today: number, changes: readonly Change[] = []): number {
  const one = { mean: new Float64Array(1), covariance: new Float64Array(1) }
  passTime(one, day + SEASON_DAYS, today)
  return changes
    .filter(change => change.day > day && change.day <= today)
    .map(({ kind }) => MOVED_BY[kind].reduce((sum, sd) => sum + sd * sd, 0))
    .reduce((sum, variance) => sum + variance, one.covariance[0]!)
}

function seenOf(work: SessionColumns, today: number, changes?: readonly Change[]): Map<number, Seen[]> {
  const seen = new Map<number, Seen[]>()
  const shared = Math.max(0, work.daySd ** 2 - MODEL.daySd ** 2) + driftSince(work.day, today, changes)
  work.at.forEach((place, k) => {
    // A pile that nobody can have hit is asked about, and holds nothing meanwhile.
    if (work.balls[k]! > 1 && work.clean[k]! < ASK.below) return
    const carryM = exp(work.y[k]!)
    const balls = work.balls[k]!
    const extentSd = work.extents.find(({ shot }) => shot === k)?.sd
    const scatterM = extentSd ?? Math.sqrt(work.own[place]!) * carryM
    const half = balls > 1 ? (expectedRange(balls) / 4) * scatterM : 0
    const list = seen.get(work.cells[place]!) ?? []
    list.push({
      carryM,
      lowM: carryM - half,
      highM: carryM + half,
      balls,
      weight: balls * (work.clean[k]! + POOR_WEIGHT),
      marginM: Z_80 * Math.sqrt(shared) * carryM,
    })
    seen.set(work.cells[place]!, list)
  })
  return seen
}

const ballsIn = (list: readonly Seen[]) => list.reduce((sum, one) => sum + one.balls, 0)

/** The balls that lie within so many metres of each other and weigh most. */
function together(sorted: readonly Seen[], withinM: number, weightOf: (one: Seen) => number): readonly Seen[] {
  let best = { from: 0, to: 0, weight: 0 }
  let from = 0
  let weight = 0
  for (let to = 0; to < sorted.length; to++) {
    weight += weightOf(sorted[to]!)
    for (; sorted[to]!.carryM - sorted[from]!.carryM > withinM; from++) weight -= weightOf(sorted[from]!)
    if (weight > best.weight) best = { from, to: to + 1, weight }
  }
  return sorted.slice(best.from, best.to)
}

/** How likely all of so many balls are mishits and fall within so much of each other, in ln carry. */
const allMishit = (balls: number, withinLn: number, mishitShare: number): number =>
  mishitShare ** balls * Math.min(1, withinLn / (MODEL.mishitTo - MODEL.mishitFrom)) ** (balls - 1)

/**
 * Where the balls of one cell lie for whoever looks at them, metres: the number is never beyond. Most of the balls,
 * three at least, that lie together, a yard either way; four or more of them within a yard, as they lie.
 * @param scatterLn of one ball, in ln carry
 * @returns null where they do not lie together
 */
function spanOf(
  all: readonly Seen[],
  carryM: number,
  scatterLn: number,
  mishitShare: number,
): [lowM: number, highM: number] | null {
  const sorted = [...all].sort((a, b) => a.carryM - b.carryM)
  const isMost = (list: readonly Seen[], least: number, withinLn: number) => {
    const balls = ballsIn(list)
    return balls >= least && 2 * balls > ballsIn(all) && allMishit(balls, withinLn, mishitShare) <= MODEL.allMishit
  }
  const span = (list: readonly Seen[], marginM: number): [number, number] => [
    Math.min(...list.map(one => one.lowM - one.marginM)) - marginM,
    Math.max(...list.map(one => one.highM + one.marginM)) + marginM,
  ]
  const byWeight = (one: Seen) => one.weight
  const alike = together(
    sorted.filter(one => one.balls === 1),
    YARD_M * (1 + Number.EPSILON),
    byWeight,
  )
  if (isMost(alike, MODEL.leastAlike, YARD_M / carryM)) return span(alike, 0)
  // Those nearest together first: a poor ball that lies among the others' scatter is none of them. Where those taken
  // for clean are not most of them, those that are most and lie close.
  const near = MODEL.togetherSds.map(sds => ({ sds, weightOf: byWeight }))
  for (const { sds, weightOf } of [...near, { sds: MODEL.closeSds, weightOf: (one: Seen) => one.balls }]) {
    const list = together(sorted, sds * scatterLn * carryM, weightOf)
    if (isMost(list, MODEL.leastTogether, sds * scatterLn)) return span(list, YARD_M)
  }
  return null
}

/**
 * Holds each number to its own balls, in place: what a coach can check with his own eyes. The fit seldom leaves them;
 * where it does by a little, because the others are surer, a number beyond all its balls is no number for whoever hit
 * them. Older balls, and those of a day that may be off as a whole, hold it less.
 * @param mean ln carry of all cells; @param mishitShare of the player's balls
 */
export function holdToOwnBalls(
  mean: Float64Array,
  works: readonly SessionColumns[],
  today: number,
  { mishitShare, changes }: { mishitShare: number; changes?: readonly Change[] },
): void {
  const seen = new Map<number, { balls: Seen[]; scatterLn: number }>()
  for (const work of works) {
    const ofDay = seenOf(work, today, changes)
    work.cells.forEach((cell, i) => {
      const balls = [...(seen.get(cell)?.balls ?? []), ...(ofDay.get(cell) ?? [])]
      seen.set(cell, { balls, scatterLn: Math.sqrt(work.own[i]!) })
    })
  }
  for (const [cell, { balls, scatterLn }] of seen) {
    const carryM = exp(mean[cell]!)
    const span = spanOf(balls, carryM, scatterLn, mishitShare)
    if (span) mean[cell] = ln(Math.max(span[0], MODEL.leastCarryM, Math.min(span[1], carryM)))
  }
}
