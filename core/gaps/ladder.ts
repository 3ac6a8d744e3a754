import type { StockShot } from '../bag/bag'
import type { CarryChart } from '../chart/chart-cell'

export interface LadderStep extends StockShot {
  carryM: number
  balls: number
  /** No ball of it counts: the number is what the others make of it. */
  predicted: boolean
  /** Step up from the next shorter stock shot, metres; null for the shortest. */
  stepM: number | null
}

/** The stock shots in order of carry, shortest first. */
export type Ladder = LadderStep[]

/**
 * The ladder of a chart: every cell of the grid in use that has a number, predicted ones too. Struck-out cells are not
 * on it, nor are longer clubs. Equal carries keep the order of the chart, so the same chart gives the same ladder.
 */
export function buildLadder(chart: CarryChart): Ladder {
  const steps = chart
    .filter(cell => (cell.kind === 'measured' || cell.kind === 'predicted') && !cell.plain)
    .map(({ clubId, rungId, carryM, balls, kind }) => ({ clubId, rungId, carryM: carryM!, balls, predicted: kind === 'predicted' }))
    .sort((a, b) => a.carryM - b.carryM)
  return steps.map((step, i) => ({ ...step, stepM: i === 0 ? null : step.carryM - steps[i - 1]!.carryM }))
}

/** Neighbouring pairs, shortest first. @example neighbours(ladder of 4) // => 3 pairs */
export function neighbours(ladder: Ladder): [LadderStep, LadderStep][] {
  return ladder.slice(1).map((longer, i) => [ladder[i]!, longer])
}
