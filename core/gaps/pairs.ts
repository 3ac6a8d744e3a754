import { cellKey } from '../bag/bag'
import type { SwingFlight } from '../swing/scale'
import type { GapFacts } from './facts'
import { SAME_M } from './flag'
import type { LadderStep } from './ladder'

/** Two stock shots that carry the same, and how their flights differ. */
export interface SamePair {
  shorter: LadderStep
  longer: LadderStep
  /** That they carry the same to within the limit. */
  probability: number
  /** Descent of the steeper less that of the flatter, degrees; null where one is not known. */
  apartDeg: number | null
  /** The one that comes in flatter. */
  flatter: LadderStep
  /** Two flights of one swing length, or two swing lengths whose angles lie further apart than the limit. */
  otherFlight: boolean
}

/** Every pair of stock shots within `closestM`, shortest first, with their flights. */
export function samePairs(
  { ladder, odds, chart, bag, descentDeg }: GapFacts,
  closestM: number,
  flightDeg: number,
): SamePair[] {
  const cells = new Map(chart.map(cell => [cellKey(cell), cell]))
  const flights = new Map<string, SwingFlight>(bag.scale.rungs.map(rung => [rung.id, rung.flight]))
  const angles = new Map<LadderStep, number | null>()
  const angleOf = (step: LadderStep) => {
    if (!angles.has(step)) {
      const cell = cells.get(cellKey(step))
      angles.set(step, cell ? descentDeg(cell) : null)
    }
    return angles.get(step)!
  }
  return ladder.flatMap((shorter, i) => {
    const found: SamePair[] = []
    // The ladder is sorted: the first that is too far ends the search.
    for (let j = i + 1; j < ladder.length && ladder[j]!.carryM - shorter.carryM <= closestM + SAME_M; j++) {
      const longer = ladder[j]!
      const [a, b] = [angleOf(shorter), angleOf(longer)]
      const apartDeg = a === null || b === null ? null : Math.abs(a - b)
      const named = (flights.get(shorter.rungId) ?? 'normal') !== (flights.get(longer.rungId) ?? 'normal')
      found.push({
        shorter,
        longer,
        probability: odds.overlap(shorter, longer, closestM),
        apartDeg,
        flatter: a !== null && b !== null && a < b ? shorter : longer,
        // One swing with two clubs is no choice of flight: it is one number twice.
        otherFlight: named || (shorter.rungId !== longer.rungId && apartDeg !== null && apartDeg >= flightDeg - SAME_M),
      })
    }
    return found
  })
}

/** Two shots closer than this do one job, metres; flights further apart than this are two. Used by two rules. */
export interface PairLimits {
  closestM: number
  flightDeg: number
}
