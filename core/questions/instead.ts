import { cellKey, type StockShot } from '../bag/bag'
import { ln } from '../stats/exact'
import { median } from '../stats/median'
import { METRES_PER_YARD } from '../units'
import type { CarryChart, ChartCell } from '../chart/chart-cell'

/** What a ball that stands out may have been, where the figures fit something else. */
export interface Instead {
  /** The same swing with another club, whose number it lies much nearer to. */
  otherClub?: StockShot
  /**
   * Times what was read, when the figure of the other unit would be this stock shot's: metres taken for yards, or
   * yards for metres.
   */
  otherUnit?: number
}

/** Nearer than this share of the way to its own number. */
const MUCH_NEARER = 0.5

const inside = ([low, high]: readonly [number, number], metres: number) => metres >= low && metres <= high

/**
 * Whether a ball would be an ordinary one of another club swung as long, or an ordinary one of this stock shot in the
 * other unit.
 * @param carryM of the ball, in the air of the chart
 */
export function insteadOf(carryM: number, cell: ChartCell, chart: CarryChart): Instead {
  const found: Instead = {}
  const away = (other: ChartCell) => Math.abs(other.carryM! - carryM)
  const [nearest] = chart
    .filter(
      other =>
        other.rungId === cell.rungId &&
        cellKey(other) !== cellKey(cell) &&
        other.kind === 'measured' &&
        other.carryM !== null &&
        other.window80M &&
        inside(other.window80M, carryM),
    )
    .sort((a, b) => away(a) - away(b))
  if (nearest && cell.carryM !== null && away(nearest) < MUCH_NEARER * away(cell))
    found.otherClub = { clubId: nearest.clubId, rungId: nearest.rungId }
  const factor = [METRES_PER_YARD, 1 / METRES_PER_YARD].find(
    times => cell.window80M && inside(cell.window80M, carryM * times),
  )
  if (factor !== undefined) found.otherUnit = factor
  return found
}

/** The newest so many balls may be a run, and so many before them, at least and at most, say what is usual. */
const RUN = { least: 4, most: 6, before: 4, lookBack: 50 } as const
/** A median is this much less sure than a mean. */
const MEDIAN_SD = 1.2533
const FAR_SDS = 2.25
const NEAR_SDS = 0.75

/**
 * The newest balls of a stock shot that lie a yard's share of a metre off all before them: one such ball is as likely a
 * poor strike, several together are a figure read in the other unit. Well over two standard deviations from the usual,
 * and under one from the other unit, and each ball nearer to it: scattered balls of a beginner tell nothing until there
 * are more of them.
 * @param carriesM oldest first, unsettled and counting ones
 * @param scatter of one ball, share of the carry
 * @returns how many of the newest, and what to take them times; null when none
 */
export function otherUnitRun(carriesM: readonly number[], scatter: number): { balls: number; times: number } | null {
  for (let balls = RUN.most; balls >= RUN.least; balls--) {
    const before = carriesM.slice(Math.max(0, carriesM.length - balls - RUN.lookBack), -balls)
    if (before.length < RUN.before) continue
    const sd = MEDIAN_SD * scatter * Math.sqrt(1 / balls + 1 / before.length)
    const usual = median(before)
    const off = ln(median(carriesM.slice(-balls)) / usual)
    const times = off < 0 ? 1 / METRES_PER_YARD : METRES_PER_YARD
    const nearer = (m: number) => Math.abs(ln((m * times) / usual)) < Math.abs(ln(m / usual))
    if (
      Math.abs(off) >= FAR_SDS * sd &&
      Math.abs(off + ln(times)) <= NEAR_SDS * sd &&
      carriesM.slice(-balls).every(nearer)
    )
      return { balls, times }
  }
  return null
}
