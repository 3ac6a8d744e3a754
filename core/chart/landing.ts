import { Z_80 } from '../stats/quantiles'
import { ln } from '../stats/exact'
import type { ChartCell } from './chart-cell'

/**
 * Radius, in standard deviations, of the ellipse that 8 balls in 10 of a normal pattern land in, over that of the
 * stretch that 8 in 10 lie in along one line.
 */
const ELLIPSE_OVER_LINE = Math.sqrt(-2 * ln(0.2)) / Z_80

/** Where 8 clean balls in 10 of a stock shot land, seen from above, metres; right of the line is above 0. */
export interface LandingPatch {
  carryM: number
  sideM: number
  /** Half its length along the line, and half its breadth. */
  alongM: number
  /** Null where no side was measured: it is known along the line alone. */
  acrossM: number | null
}

/**
 * The patch of a stock shot. Null where nothing tells how it scatters.
 * @example landingPatch({ carryM: 80, window80M: [75, 85], sideM: 2, sideWindow80M: [-3, 7] })?.alongM // => 7.0
 */
export function landingPatch(
  cell: Pick<ChartCell, 'carryM' | 'window80M' | 'sideM' | 'sideWindow80M'>,
): LandingPatch | null {
  const { carryM, window80M, sideM, sideWindow80M } = cell
  if (carryM === null || !window80M) return null
  const half = ([least, most]: [number, number]) => (most - least) / 2
  const middleM = (window80M[0] + window80M[1]) / 2
  if (!sideWindow80M) return { carryM: middleM, sideM: 0, alongM: half(window80M), acrossM: null }
  return {
    carryM: middleM,
    sideM: sideM ?? 0,
    alongM: half(window80M) * ELLIPSE_OVER_LINE,
    acrossM: half(sideWindow80M) * ELLIPSE_OVER_LINE,
  }
}

/** A ball on the plan. */
export interface LandedBall {
  id: string
  carryM: number
  /** Null where its side was not measured. */
  sideM: number | null
  counts: boolean
  /** Why it does not count, or what it was called. */
  word: string
  newest: boolean
}

/** What a plan shows, metres: near and far end, and how far to either side; the same scale both ways. */
export interface PlanSpan {
  nearM: number
  farM: number
  sideM: number
}

const LEAST_SPAN_M = 12
const ROOM = 1.12

/** The span that holds all patches and balls, with some room. */
export function planSpan(patches: readonly LandingPatch[], balls: readonly LandedBall[]): PlanSpan {
  const along = [
    ...patches.flatMap(({ carryM, alongM }) => [carryM - alongM, carryM + alongM]),
    ...balls.map(({ carryM }) => carryM),
  ]
  const across = [
    ...patches.flatMap(({ sideM, acrossM }) => [Math.abs(sideM) + (acrossM ?? 0)]),
    ...balls.flatMap(({ sideM }) => (sideM === null ? [] : [Math.abs(sideM)])),
  ]
  const [least, most] = along.length === 0 ? [0, LEAST_SPAN_M] : [Math.min(...along), Math.max(...along)]
  const middle = (least + most) / 2
  const half = Math.max(LEAST_SPAN_M, most - least) * (ROOM / 2)
  return {
    nearM: Math.max(0, middle - half),
    farM: middle + half,
    sideM: Math.max(LEAST_SPAN_M / 2, ...across) * ROOM,
  }
}
