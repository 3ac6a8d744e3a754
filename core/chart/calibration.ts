import { cellKey, gridCells, type StockShot } from '../bag/bag'
import { buildLadder, type Ladder } from '../gaps/ladder'
import type { Finding } from '../gaps/flag'
import { findFlags, type FlagOptions } from '../gaps/flags'
import { oddsOf } from '../gaps/odds'
import { measuringErrorM } from '../shot/measuring'
import type { Method } from '../shot/shot'
import { yardsToMetres } from '../units'
import { carryChart, chartProgress, type CarryChart } from './carry-chart'
import { dayOf, fitGrid, type GridFit, type Kept, type PlayerShots } from './grid-fit'
import { ballsToGo, cellsWithin, daysToRetest, GOOD_ENOUGH_SHARE, hitNextFew, MOST_BALLS_FORECAST, type NextOptions } from './model/next-shot'
import { questionsOf, type Question } from './model/screens'
import { groupByCell, inTime } from './pile'

export type { Question }

/** Known well enough: within this, 8 times in 10. About half of a common step between stock shots (common practice). */
export const WITHIN_M = yardsToMetres(3)
/** Balls hit at one stock shot before the next is chosen: a coach's habit, and little is lost by it. */
export const BALLS_AT_ONCE = 3
/** Stock shots named ahead. */
const SHOTS_AHEAD = 3

export interface CalibrationOptions {
  flags: FlagOptions
  /** Wanted certainty either way, metres. */
  withinM: number
  /** How the next balls are measured. */
  method: Method
}

export const USUAL_OPTIONS: CalibrationOptions = { flags: {}, withinM: WITHIN_M, method: 'monitor' }

/** The stock shot to hit next, and why. */
export interface Next extends StockShot {
  balls: number
  /** Doubt it takes off the whole chart, metres, one standard deviation of each cell summed. */
  gainM: number
  /** Other stock shots that learn from it, those that learn most first. */
  others: StockShot[]
}

export interface Ready {
  withinM: number
  /** Cells in use that are known to within it, and all in use. */
  cellsWithin: number
  cellsInUse: number
  goodEnough: boolean
  /** About how many more balls; null when it would take more than can be forecast. */
  ballsToGo: number | null
}

/** Everything that a player's shots say. Plain data: the same on the server, in a worker and in a file. */
export interface Calibration {
  chart: CarryChart
  ladder: Ladder
  findings: Finding[]
  /** The next stock shots in order; none when no cell of the grid is in use. */
  next: Next[]
  ready: Ready
  /** Day the numbers should be tested again, milliseconds since 1970; null without a ball. */
  retestDueMs: number | null
  questions: (StockShot & Question)[]
}

const DAY_MS = 86_400_000
/** The method's error is asked at this carry where it depends on carry: the middle of the grid. */
const MIDDLE_CARRY_M = 70

function askAbout({ shots }: PlayerShots, grid: GridFit, chart: CarryChart): Calibration['questions'] {
  const groups = groupByCell(shots.filter(shot => shot.leftOut === null))
  return chart.flatMap((cell) => {
    if (cell.carryM === null || cell.balls === 0) return []
    const balls = inTime(groups.get(cellKey(cell)) ?? []).filter(shot => grid.verdicts.has(shot.id))
      .map(shot => ({ shot: shot.id, carryM: shot.carryM, verdict: grid.verdicts.get(shot.id)!, settled: shot.strike !== null }))
    return questionsOf(balls, cell.carryM).map(question => ({ clubId: cell.clubId, rungId: cell.rungId, ...question }))
  })
}

/**
 * From a player's shots to the carry chart, the ladder, the flags, what to hit next and how ready it is.
 * Pure: the same record, options and day give the same result, to the byte, in whatever order the shots come.
 * @param kept earlier sessions folded by `foldEarlier`, for one more ball in a live session
 */
export function calibrate(record: PlayerShots, options: CalibrationOptions = USUAL_OPTIONS, kept?: Kept): Calibration & { grid: GridFit } {
  // Sums of doubles depend on their order, so the order is always the same, however the shots came.
  const player = { ...record, shots: inTime(record.shots) }
  const grid = fitGrid(player, kept)
  const chart = carryChart(player.bag, player.shots, grid)
  const ladder = buildLadder(chart)
  const findings = findFlags({ ladder, chart, odds: oddsOf(grid) }, options.flags)
  const rule: NextOptions = { measSdM: measuringErrorM(options.method, MIDDLE_CARRY_M), balls: BALLS_AT_ONCE, need: grid.need }
  const { within, inUse } = cellsWithin(grid.fit, grid.need, options.withinM)
  const told = chartProgress(chart).hit > 0
  const toGo = inUse === 0 ? 0 : ballsToGo(grid.fit, rule, options.withinM)
  return {
    grid, chart, ladder, findings,
    next: hitNextFew(grid.fit, rule, SHOTS_AHEAD).map(({ cell, gainM, others }) => ({ ...grid.cells[cell]!, balls: BALLS_AT_ONCE, gainM, others: others.map(i => grid.cells[i]!) })),
    ready: {
      withinM: options.withinM, cellsWithin: within, cellsInUse: inUse, goodEnough: told && within >= GOOD_ENOUGH_SHARE * inUse,
      ballsToGo: toGo === MOST_BALLS_FORECAST ? null : toGo,
    },
    retestDueMs: grid.lastDay === null || !told ? null : DAY_MS * (grid.lastDay + daysToRetest(grid.fit, grid.need, options.withinM, dayOf(player.nowMs) - grid.lastDay)),
    questions: askAbout(player, grid, chart),
  }
}

/** True when the two have the same cells in use, so that one can stand in for the other while it is worked out. */
export function sameGrid(bag: PlayerShots['bag'], chart: CarryChart): boolean {
  const keys = gridCells(bag).map(cellKey)
  return keys.length === chart.length && keys.every((key, i) => key === cellKey(chart[i]!))
}
