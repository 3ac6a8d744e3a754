import { cellKey, type Bag } from '../bag/bag'
import { runAfterM } from '../corrections/pitched'
import type { Firmness } from '../flight/run-out'
import type { Memo } from '../memo'
import type { Fit } from '../model/fit'
import { exp, ln } from '../stats/exact'
import type { AsRead } from './as-read'
import type { CarryChart, ChartCell } from './chart-cell'
import type { Pile } from './pile'

/** Tenths of a metre are finer than any run is known. */
const STEP_M = 0.1

/**
 * How far each stock shot runs after it pitched, by `cellKey`, metres; longer clubs and stock shots without a number
 * are not in it.
 */
export function runsOf(chart: CarryChart, bag: Bag, ground: Firmness, memo: Memo): ReadonlyMap<string, number> {
  const lofts = new Map(bag.clubs.map(club => [club.id, club.loftDeg]))
  return new Map(
    chart.flatMap((cell): [string, number][] => {
      const loftDeg = lofts.get(cell.clubId)
      if (cell.carryM === null || cell.plain || loftDeg === undefined) return []
      return [[cellKey(cell), runOf(loftDeg, cell.carryM, ground, memo)]]
    }),
  )
}

/** `runAfterM` to a tenth of a metre of carry, remembered. */
export function runOf(loftDeg: number, carryM: number, ground: Firmness, memo: Memo): number {
  const at = Math.max(STEP_M, Math.round(carryM / STEP_M) * STEP_M)
  return memo.recall('run', `${loftDeg} ${ground} after ${at.toFixed(1)}`, () => runAfterM(loftDeg, at, ground))
}

/** A stock shot's balls, each with the run. */
export function pileByTotal<P extends Pile>(pile: P, runM: number): P {
  const by = (m: number) => m + runM
  return {
    ...pile,
    carriesM: pile.carriesM.map(by),
    leftOutCarriesM: pile.leftOutCarriesM.map(by),
    middleM: pile.middleM === null ? null : by(pile.middleM),
  }
}

function moved(cell: ChartCell, runM: number): ChartCell {
  const by = (m: number) => m + runM
  return {
    ...pileByTotal(cell, runM),
    carryM: by(cell.carryM!),
    certainty80M: cell.certainty80M && (cell.certainty80M.map(by) as [number, number]),
    window80M: cell.window80M && (cell.window80M.map(by) as [number, number]),
    ...(cell.ballsM != null && { ballsM: by(cell.ballsM) }),
  }
}

/** A fit with a run added to the carry of each row. @param runs of each row, metres; undefined leaves it */
export function fitByTotal(fit: Fit, runs: readonly (number | undefined)[]): Fit {
  return { ...fit, mean: fit.mean.map((m, row) => (runs[row] === undefined ? m : ln(exp(m) + runs[row]))) }
}

/**
 * Carries as totals: every stock shot with its run. Scatter and doubt stay those of the carry, since what is not known
 * of a run is the ground's, and common to all. Mutates nothing.
 */
export function asTotal({ chart, grid }: AsRead, runs: ReadonlyMap<string, number>): AsRead {
  const rows: (number | undefined)[] = grid.cells.map(cell => runs.get(cellKey(cell)))
  return {
    grid: { ...grid, fit: fitByTotal(grid.fit, rows) },
    chart: chart.map(cell => {
      const runM = runs.get(cellKey(cell))
      return runM === undefined ? cell : moved(cell, runM)
    }),
  }
}
