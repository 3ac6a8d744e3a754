import { cellKey } from '../bag/bag'
import { cellEstimate } from '../model/estimate'
import type { Fit } from '../model/fit'
import { ln } from '../stats/exact'
import type { CarryChart, ChartCell } from './chart-cell'
import type { GridFit } from './grid-fit'

/** A chart and its fit as they are read: the coach's written numbers in the place of the balls'. */
export interface AsRead {
  chart: CarryChart
  grid: GridFit
}

/** Of a longer club that no ball was hit with: the coach's word is all there is. */
const WORD_ALONE_VARIANCE = 1e-6

function movedTo(fit: Fit, row: number, carryM: number): Fit {
  const mean = fit.mean.slice()
  mean[row] = ln(carryM)
  return { ...fit, mean }
}

const alone = (fit: Fit, carryM: number): Fit => ({
  ...fit,
  mean: Float64Array.of(ln(carryM)),
  covariance: Float64Array.of(WORD_ALONE_VARIANCE),
  looseness: Float64Array.of(1),
  cellDegrees: Float64Array.of(0),
  information: Float64Array.of(0),
  verdicts: [],
})

/** A cell with the written number: the centre moves, scatter and doubt stay those of the balls. */
function readCell(cell: ChartCell, { fit, plain, indexOf }: GridFit, carryM: number): ChartCell {
  const single = plain.get(cellKey(cell))
  const { certainty80M, window80M } = single ? cellEstimate(single, 0) : cellEstimate(fit, indexOf.get(cellKey(cell))!)
  const times = cell.carryM === null ? 1 : carryM / cell.carryM
  return {
    ...cell,
    carryM,
    written: true,
    ballsM: cell.carryM,
    // The certainty of a number without a ball is the coach's, and no odds.
    certainty80M: cell.balls > 0 ? certainty80M : null,
    window80M: cell.carryM === null ? null : window80M,
    ...(cell.sideM !== undefined && {
      sideM: cell.sideM * times,
      sideWindow80M: cell.sideWindow80M!.map(m => m * times) as [number, number],
    }),
  }
}

/**
 * The chart as it is read. A struck-out stock shot keeps its balls' number. Mutates nothing.
 * @param numbers written numbers by `cellKey`, metres
 */
export function asRead(chart: CarryChart, grid: GridFit, numbers: ReadonlyMap<string, number>): AsRead {
  if (numbers.size === 0) return { chart, grid }
  let { fit } = grid
  const plain = new Map(grid.plain)
  const struckOut = new Set(chart.filter(cell => cell.kind === 'struck-out').map(cellKey))
  for (const [key, carryM] of numbers) {
    if (struckOut.has(key)) continue
    const row = grid.indexOf.get(key)
    if (row !== undefined) fit = movedTo(fit, row, carryM)
    else plain.set(key, plain.has(key) ? movedTo(plain.get(key)!, 0, carryM) : alone(fit, carryM))
  }
  const read = { ...grid, fit, plain }
  return {
    grid: read,
    chart: chart.map(cell => {
      const carryM = numbers.get(cellKey(cell))
      return carryM === undefined || cell.kind === 'struck-out' ? cell : readCell(cell, read, carryM)
    }),
  }
}
