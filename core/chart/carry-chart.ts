import type { Bag } from '../bag/bag'
import type { Shot } from '../shot/shot'
import { carryNumbers, type NumberedCell } from './carry-numbers'
import { nextBallWindow } from './next-ball-window'

/** What is known of one stock shot. */
export interface ChartCell extends NumberedCell {
  /** Where the next clean ball lands 8 times in 10, metres; null with too few balls. */
  window80M: [number, number] | null
}

export type CarryChart = ChartCell[]

/** Puts the window on a number. */
export function withWindow(cell: NumberedCell): ChartCell {
  return { ...cell, window80M: cell.carryM === null ? null : nextBallWindow(cell.carriesM, cell.carryM) }
}

/** The carry chart: the numbers of the grid in use, each with its window. */
export function carryChart(bag: Bag, shots: readonly Shot[]): CarryChart {
  return carryNumbers(bag, shots).map(withWindow)
}
