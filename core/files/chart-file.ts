import type { StockShot } from '../bag/bag'
import type { CarryChart, ChartCell } from '../chart/carry-chart'
import type { Finding } from '../gaps/flag'
import type { Ladder } from '../gaps/ladder'

/** What a stock shot is called in a file. */
export type CellNames = (cell: StockShot) => { club: string, swing: string }
/** Title, why and remedy of a finding, in the unit of the reader. */
export type FindingWords = (finding: Finding) => { title: string, why: string, remedy: string }

/** Files without times number their rows instead; nothing real was hit before 2000. */
const FIRST_REAL_MS = Date.UTC(2000, 0, 1)

/** A moment as ISO 8601, or null when the file did not say. */
export function moment(ms: number): string | null {
  return ms >= FIRST_REAL_MS ? new Date(ms).toISOString() : null
}

/** Metres with two decimals: a centimetre, finer than any way of measuring. */
function cm(metres: number): number {
  return Number(metres.toFixed(2))
}

function cellOut(cell: ChartCell, names: CellNames) {
  return {
    ...names(cell),
    kind: cell.kind,
    ...(cell.carryM !== null && { carryM: cm(cell.carryM) }),
    ...(cell.window80M && { window80M: cell.window80M.map(cm) }),
    balls: cell.balls,
    leftOut: cell.leftOut,
    ...(cell.lastHitMs !== null && moment(cell.lastHitMs) !== null && { lastHit: moment(cell.lastHitMs) }),
  }
}

/**
 * The chart for a file, as `docs/formats.md` describes it. Same chart in, same file out, to the byte.
 * Cells that nobody has hit and nobody struck out are not in it.
 */
export function writeChartFile(
  asOf: string | null, chart: CarryChart, ladder: Ladder, findings: readonly Finding[], names: CellNames, words: FindingWords,
) {
  return {
    format: 'uzzet-chart',
    version: 1,
    // As it was measured: nothing is taken out for wind, warmth or height yet.
    air: 'as measured',
    asOf,
    cells: chart.filter(cell => cell.kind !== 'unhit').map(cell => cellOut(cell, names)),
    ladder: ladder.map(step => ({ ...names(step), carryM: cm(step.carryM), ...(step.stepM !== null && { stepM: cm(step.stepM) }) })),
    flags: findings.map(finding => ({
      rule: finding.flag, ...words(finding), cells: [names(finding.shorter), names(finding.longer)],
      fromM: cm(finding.fromM), toM: cm(finding.toM),
    })),
  }
}
