import type { StockShot } from '../bag/bag'
import type { CarryChart } from '../chart/chart-cell'

export interface LadderStep extends StockShot {
  carryM: number
  balls: number
  /** No ball of it counts: the number is what the others make of it. */
  predicted: boolean
  /** The number is the coach's own. */
  written: boolean
  /** A club longer than the grid's, which stands by its own balls alone. */
  plain: boolean
  /** Step up from the next shorter stock shot, metres; null for the shortest. */
  stepM: number | null
  /**
   * 8 in 10 that the step is within so much of that, metres; null for the shortest, and where it was not worked out.
   */
  stepPlusMinusM: number | null
}

/** The stock shots in order of carry, shortest first. */
export type Ladder = LadderStep[]

/**
 * The ladder of a chart: every stock shot in use that has a number, predicted ones and longer clubs too. Struck-out
 * ones are not on it. Equal carries keep the order of the chart, so the same chart gives the same ladder.
 */
export function buildLadder(chart: CarryChart): Ladder {
  const steps = chart
    .filter(cell => cell.kind !== 'struck-out' && cell.carryM !== null)
    .map(({ clubId, rungId, carryM, balls, kind, written, plain }) => ({
      clubId,
      rungId,
      carryM: carryM!,
      balls,
      predicted: kind === 'predicted' && !written,
      written: written === true,
      plain,
    }))
    .sort((a, b) => a.carryM - b.carryM)
  return steps.map((step, i) => ({
    ...step,
    stepM: i === 0 ? null : step.carryM - steps[i - 1]!.carryM,
    stepPlusMinusM: null,
  }))
}

/** The ladder with how sure each step is: what two numbers have in common cancels in it. */
export function withStepDoubt(
  ladder: Ladder,
  plusMinusOfStepM: (shorter: StockShot, longer: StockShot) => number,
): Ladder {
  return ladder.map((step, i) => (i === 0 ? step : { ...step, stepPlusMinusM: plusMinusOfStepM(ladder[i - 1]!, step) }))
}

/** Neighbouring pairs, shortest first. @example neighbours([{ carryM: 60 }, { carryM: 70 }]).length // => 1 */
export function neighbours(ladder: Ladder): [LadderStep, LadderStep][] {
  return ladder.slice(1).map((longer, i) => [ladder[i]!, longer])
}
