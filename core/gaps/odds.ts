import { cellKey, type StockShot } from '../bag/bag'
import type { GridFit } from '../chart/grid-fit'
import { probabilityOfGap, probabilityOfLooser, probabilityOfOverlap } from '../chart/model/statements'

/** Probabilities of what can be said about stock shots of one grid. */
export interface Odds {
  /** That the step from one up to the other is wider than the limit. */
  gap: (shorter: StockShot, longer: StockShot, limitM: number) => number
  /** That the two carry the same to within the limit. */
  overlap: (a: StockShot, b: StockShot, limitM: number) => number
  /** That it scatters more than `ratio` times the player's usual. */
  looser: (cell: StockShot, ratio: number) => number
}

/** @throws RangeError, when asked, for a stock shot that the grid does not have */
export function oddsOf(grid: GridFit): Odds {
  const at = (cell: StockShot) => {
    const i = grid.indexOf.get(cellKey(cell))
    if (i === undefined) throw new RangeError(`no stock shot "${cellKey(cell)}" in this grid`)
    return i
  }
  return {
    gap: (shorter, longer, limitM) => probabilityOfGap(grid.fit, at(shorter), at(longer), limitM),
    overlap: (a, b, limitM) => probabilityOfOverlap(grid.fit, at(a), at(b), limitM),
    looser: (cell, ratio) => probabilityOfLooser(grid.fit, at(cell), ratio),
  }
}
