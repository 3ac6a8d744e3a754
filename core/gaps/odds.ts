import betainc from '../stats/vendor/betainc.js'
import gammainc from '../stats/vendor/gammainc.js'
import { normalCdf } from '../stats/normal'
import { cellKey, type StockShot } from '../bag/bag'
import type { GridFit } from '../chart/grid-fit'
import { joined } from '../chart/joined'
import {
  probabilityOfGap,
  probabilityOfLooser,
  probabilityOfOverlap,
  probabilityOfSameOnAverage,
  probabilityOfUneven,
  stepHalf80M,
} from '../model/statements'

/**
 * Odds that need no grid. The rules ask for them here, so that a page that only words flags does not load the
 * functions.
 */
export interface PlainOdds {
  /**
   * That a scatter is truly more than `ratio` times the usual: read as `times` the usual, from so many degrees of
   * freedom.
   */
  wider: (times: number, degrees: number, ratio: number) => number
  /** That a share is truly above `share`, a Beta of these two counts. */
  shareAbove: (share: number, yes: number, no: number) => number
  /** Φ(z). */
  below: (z: number) => number
}

export const plainOdds: PlainOdds = {
  wider: (times, degrees, ratio) => gammainc((degrees * times * times) / (2 * ratio * ratio), degrees / 2),
  shareAbove: (share, yes, no) => 1 - betainc(share, yes, no),
  below: normalCdf,
}

/** Probabilities of what can be said about stock shots of one grid, and of longer clubs beside it. */
export interface Odds extends PlainOdds {
  /** That the step from one up to the other is wider than the limit. */
  gap: (shorter: StockShot, longer: StockShot, limitM: number) => number
  /** 8 in 10 that the step is within so much of what it reads, metres. */
  stepPlusMinusM: (shorter: StockShot, longer: StockShot) => number
  /** That the two carry the same to within the limit. */
  overlap: (a: StockShot, b: StockShot, limitM: number) => number
  /** That two clubs carry the same to within the limit, on average over pairs with the same swing length. */
  sameOnAverage: (pairs: readonly (readonly [StockShot, StockShot])[], limitM: number) => number
  /** That the steps between three differ by more than the limit. */
  uneven: (a: StockShot, b: StockShot, c: StockShot, limitM: number) => number
  /** That it scatters more than `ratio` times the player's usual. */
  looser: (cell: StockShot, ratio: number) => number
}

/** @throws RangeError, when asked, for a stock shot that the grid does not have */
export function oddsOf(grid: Pick<GridFit, 'fit' | 'indexOf' | 'plain'>): Odds {
  const { fit, indexOf } = joined(grid)
  const at = (cell: StockShot) => {
    const i = indexOf.get(cellKey(cell))
    if (i === undefined) throw new RangeError(`no stock shot "${cellKey(cell)}" in this grid`)
    return i
  }
  return {
    ...plainOdds,
    gap: (shorter, longer, limitM) => probabilityOfGap(fit, at(shorter), at(longer), limitM),
    stepPlusMinusM: (shorter, longer) => stepHalf80M(fit, at(shorter), at(longer)),
    overlap: (a, b, limitM) => probabilityOfOverlap(fit, at(a), at(b), limitM),
    sameOnAverage: (pairs, limitM) =>
      probabilityOfSameOnAverage(
        fit,
        pairs.map(([a, b]) => [at(a), at(b)] as const),
        limitM,
      ),
    uneven: (a, b, c, limitM) => probabilityOfUneven(fit, at(a), at(b), at(c), limitM),
    looser: (cell, ratio) => probabilityOfLooser(fit, at(cell), ratio),
  }
}
