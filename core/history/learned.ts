import { isWithin } from '../units'
import { cellKey, type StockShot } from '../bag/bag'
import { plusMinusM, type CarryChart, type ChartCell } from '../chart/chart-cell'

/** What a session taught, stock shot by stock shot. */
export interface Learned {
  /** Measured for the first time. */
  fresh: ChartCell[]
  /** Lies outside what was believed 8 times in 10 before. */
  moved: { cell: ChartCell; wasM: number; wasHalfM: number }[]
  /** Hit, and still not known well enough, as it is read. */
  loose: ChartCell[]
}

/** @param before the chart without this session's balls; @param after with them; @param hit stock shots hit in it */
export function whatWasLearned(
  before: CarryChart,
  after: CarryChart,
  hit: readonly StockShot[],
  withinM: number,
): Learned {
  const was = new Map(before.map(cell => [cellKey(cell), cell]))
  const keys = new Set(hit.map(cellKey))
  const own = after.filter(cell => keys.has(cellKey(cell)) && cell.carryM !== null && cell.kind === 'measured')
  const learned: Learned = { fresh: [], moved: [], loose: [] }
  for (const cell of own) {
    const old = was.get(cellKey(cell))
    if (old?.kind !== 'measured') learned.fresh.push(cell)
    else if (
      old.carryM !== null &&
      old.certainty80M &&
      (cell.carryM! < old.certainty80M[0] || cell.carryM! > old.certainty80M[1])
    )
      learned.moved.push({ cell, wasM: old.carryM, wasHalfM: plusMinusM(old)! })
    if (!isWithin(plusMinusM(cell)!, withinM)) learned.loose.push(cell)
  }
  return learned
}
