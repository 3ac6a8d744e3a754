import { median } from '../stats/median'

/** From this many balls on, the longest and the shortest are dropped (common practice). */
export const TRIM_FROM_BALLS = 5

/**
 * The plain middle of the pile, which stands beside the model's number since coaches compare. With five balls or more
 * the mean without the longest and the shortest; with fewer the median: what is done by hand.
 * @param carriesM carries of the balls that count, metres, in any order; at least one
 * @returns metres, not rounded
 * @throws RangeError for an empty pile: no balls is no number, not zero
 * @example middleOfThePile([58, 54, 55]) // => 55
 * @example middleOfThePile([65, 61, 50, 55, 63, 60]) // => 59.75
 */
export function middleOfThePile(carriesM: readonly number[]): number {
  const n = carriesM.length
  if (n === 0) throw new RangeError('middleOfThePile needs one ball or more, got 0')
  if (n < TRIM_FROM_BALLS) return median(carriesM)
  const inner = [...carriesM].sort((a, b) => a - b).slice(1, -1)
  return inner.reduce((sum, carryM) => sum + carryM, 0) / inner.length
}
