import type { StockShot } from '../bag/bag'
import { readChart, type Calibration, type Next } from '../calibration/calibration'
import type { ChartCell } from '../chart/chart-cell'
import type { Finding } from '../gaps/flag'
import { withParts } from '../gaps/one-fact'

/** What a stock shot is called in a file. */
export type CellNames = (cell: StockShot) => { club: string; swing: string }

/** What is said in words, in the unit of the reader. */
export interface ChartFileWords {
  finding: (finding: Finding) => { title: string; why: string; remedy: string }
  next: (next: Next) => string
}

/** Files without times number their rows instead; nothing real was hit before 2000. */
const FIRST_REAL_MS = Date.UTC(2000, 0, 1)

/** A moment as ISO 8601, or null when the file did not say. */
export function moment(ms: number): string | null {
  return ms >= FIRST_REAL_MS ? new Date(ms).toISOString() : null
}

/** Metres with two decimals: a centimetre, finer than any way of measuring. */
const cm = (metres: number) => Number(metres.toFixed(2))

/** A probability with three decimals. */
const odds = (probability: number) => Number(probability.toFixed(3))

function cellOut(cell: ChartCell, names: CellNames) {
  return {
    ...names(cell),
    kind: cell.written ? 'written' : cell.kind,
    ...(cell.carryM !== null && { carryM: cm(cell.carryM) }),
    ...(cell.written && cell.ballsM != null && { measuredCarryM: cm(cell.ballsM) }),
    ...(cell.certainty80M && { certainty80M: cell.certainty80M.map(cm) }),
    ...(cell.window80M && { window80M: cell.window80M.map(cm) }),
    ...(cell.sideM !== undefined && { sideM: cm(cell.sideM), sideWindow80M: cell.sideWindow80M!.map(cm) }),
    balls: cell.balls,
    leftOut: cell.leftOut,
    ...(cell.middleM !== null && { middleM: cm(cell.middleM) }),
    ...(cell.lastHitMs !== null && moment(cell.lastHitMs) !== null && { lastHit: moment(cell.lastHitMs) }),
  }
}

/**
 * The chart for a file, as `docs/formats.md` describes it. Same calibration in, same file out, to the byte.
 * Cells of which nothing is known, not even by others, are not in it.
 * A written number stands in its cell, with what the balls say beside it.
 */
export function writeChartFile(asOf: string | null, calibration: Calibration, names: CellNames, words: ChartFileWords) {
  const { air, ladder, findings, next, ready, retestDueMs, setAside } = calibration
  return {
    format: 'uzzet-chart',
    version: 1,
    air,
    asOf,
    cells: readChart(calibration)
      .filter(cell => cell.kind !== 'unhit' || cell.written)
      .map(cell => cellOut(cell, names)),
    ladder: ladder.map(step => ({
      ...names(step),
      carryM: cm(step.carryM),
      ...(step.stepM !== null && { stepM: cm(step.stepM) }),
      ...(step.stepPlusMinusM !== null && { stepPlusMinusM: cm(step.stepPlusMinusM) }),
    })),
    // Each by itself, also where the screen says several as one.
    flags: withParts(findings).map(finding => ({
      rule: finding.flag,
      sureness: finding.sureness,
      ...(finding.probability !== null && { probability: odds(finding.probability) }),
      ...words.finding(finding),
      cells: finding.cells.map(names),
      fromM: cm(finding.fromM),
      toM: cm(finding.toM),
    })),
    next: next.map(shot => ({ ...names(shot), balls: shot.balls, why: words.next(shot) })),
    ready: {
      withinM: cm(ready.withinM),
      cellsWithin: ready.cellsWithin,
      cellsInUse: ready.cellsInUse,
      goodEnough: ready.goodEnough,
      ballsToGo: ready.ballsToGo,
    },
    ...(setAside.length > 0 && {
      setAside: setAside.map(({ why, carryM, ...cell }) => ({ ...names(cell), carryM: cm(carryM), why })),
    }),
    ...(retestDueMs !== null && moment(retestDueMs) !== null && { retestDue: moment(retestDueMs)!.slice(0, 10) }),
  }
}
