import type { StockShot } from '../bag/bag'
import type { NumberedCell } from '../chart/carry-numbers'

export interface LadderStep extends StockShot {
  carryM: number
  balls: number
  /** Step up from the next shorter stock shot, metres; null for the shortest. */
  stepM: number | null
}

/** The stock shots in order of carry, shortest first. */
export type Ladder = LadderStep[]

/**
 * The ladder of a chart: every cell in use that has a number. Struck-out and unhit cells are not on it.
 * Equal carries keep the order of the chart, so the same chart gives the same ladder.
 */
export function buildLadder(numbers: readonly NumberedCell[]): Ladder {
  const steps = numbers
    .filter(cell => cell.kind === 'measured')
    .map(({ clubId, rungId, carryM, balls }) => ({ clubId, rungId, carryM: carryM!, balls }))
    .sort((a, b) => a.carryM - b.carryM)
  return steps.map((step, i) => ({ ...step, stepM: i === 0 ? null : step.carryM - steps[i - 1]!.carryM }))
}

/** Neighbouring pairs, shortest first. @example neighbours(ladder of 4) // => 3 pairs */
export function neighbours(ladder: Ladder): [LadderStep, LadderStep][] {
  return ladder.slice(1).map((longer, i) => [ladder[i]!, longer])
}
