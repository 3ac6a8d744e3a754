import { isStruckOut, rungsInUse, type Bag } from '../bag/bag'
import { exp, ln } from '../stats/exact'
import { calledSpeedMs, rungSpeedMs } from '../swing/called-speed'
import type { Rung } from '../swing/scale'
import type { CarryChart } from './chart-cell'

/** What the swing lengths of some schools are called by: a number, between which others can be called. */
export const RUNG_SCALES = ['speed', 'feel'] as const
export type RungScale = (typeof RUNG_SCALES)[number]

/** A stock shot as a point of its club's curve: the club's speed in m/s, or how hard it feels in per cent. */
export interface RungPoint {
  rungId: string
  value: number
  carryM: number
  window80M: [number, number]
}

/** A club's carries over what is called, slowest first: two points or more. */
export interface RungCurve {
  clubId: string
  scale: RungScale
  points: RungPoint[]
}

const PER_CENT = /^(\d{1,3})\s*%?$/

/** What a name calls by itself, wherever it stands: "70 mph", "75%"; null where it calls no number. */
export function calledBy(label: string): { scale: RungScale; value: number } | null {
  const speedMs = calledSpeedMs(label)
  if (speedMs !== undefined) return { scale: 'speed', value: speedMs }
  const percent = label.includes('%') && PER_CENT.exec(label.trim())
  return percent ? { scale: 'feel', value: Number(percent[1]) } : null
}

/** What a swing length is called by; null where its school calls no number. */
function rungValue(rung: Rung, bag: Bag, scale: RungScale): number | null {
  if (scale === 'speed') return rungSpeedMs(rung, bag.scale.school) ?? null
  if ((rung.school ?? bag.scale.school) !== 'feel') return null
  const percent = PER_CENT.exec(rung.label.trim())
  return percent ? Number(percent[1]) : null
}

/** A curve of these points; two names of one speed are one point. Null under two. */
export function curveOf(clubId: string, scale: RungScale, points: readonly RungPoint[]): RungCurve | null {
  const inOrder = [...points]
    .sort((a, b) => a.value - b.value)
    .filter((point, i, all) => i === 0 || point.value - all[i - 1]!.value > SAME_VALUE)
  return inOrder.length < 2 ? null : { clubId, scale, points: inOrder }
}
/** Nobody calls finer. */
const SAME_VALUE = 0.01

/** The curves of a chart: club by club, of the swing lengths in use that are called by a number and have one. */
export function rungCurves(bag: Bag, chart: CarryChart): RungCurve[] {
  const clubIds = [...new Set(chart.map(cell => cell.clubId))]
  return RUNG_SCALES.flatMap(scale => {
    const values = new Map(
      rungsInUse(bag)
        .filter(rung => rung.flight === 'normal')
        .map(rung => [rung.id, rungValue(rung, bag, scale)] as const),
    )
    return clubIds.flatMap((clubId): RungCurve[] => {
      const points = chart.flatMap(({ rungId, carryM, window80M, ...cell }): RungPoint[] => {
        const value = values.get(rungId)
        if (cell.clubId !== clubId || value == null || carryM === null || window80M === null) return []
        return isStruckOut(bag, { clubId, rungId }) ? [] : [{ rungId, value, carryM, window80M }]
      })
      const curve = curveOf(clubId, scale, points)
      return curve ? [curve] : []
    })
  })
}

/** Straight between two points on logarithmic scales, as carry goes with a power of the speed. */
function between(x: number, a: [number, number], b: [number, number]): number {
  const share = ln(x / a[0]) / ln(b[0] / a[0])
  return exp(ln(a[1]) + share * ln(b[1] / a[1]))
}

const pairAt = (points: readonly RungPoint[], value: number) => {
  const reached = points.findIndex(point => point.value >= value)
  const next = Math.max(1, reached)
  return [points[next - 1]!, points[next]!] as const
}

/**
 * The carry at what is called, read off the curve between the swing lengths; null outside them: nothing is known there.
 * @returns metres, where 8 balls in 10 land, and what one more (m/s, per cent) is worth there
 */
export function carryOnCurve(
  { points }: Pick<RungCurve, 'points'>,
  value: number,
): { carryM: number; window80M: [number, number]; perOneM: number } | null {
  if (!(value >= points[0]!.value && value <= points.at(-1)!.value)) return null
  const [a, b] = pairAt(points, value)
  const of = (pick: (point: RungPoint) => number) => between(value, [a.value, pick(a)], [b.value, pick(b)])
  const carryM = of(point => point.carryM)
  const power = ln(b.carryM / a.carryM) / ln(b.value / a.value)
  return {
    carryM,
    window80M: [of(point => point.window80M[0]), of(point => point.window80M[1])],
    perOneM: (power * carryM) / value,
  }
}

/**
 * What to call for a carry; null where no swing length of the club lies on either side of it.
 * @example calledFor({ points: [{ value: 30, carryM: 60 }, { value: 40, carryM: 90 }] }, 75) // => 35.15
 */
export function calledFor({ points }: Pick<RungCurve, 'points'>, carryM: number): number | null {
  const at = points.findIndex((point, i) => i > 0 && (points[i - 1]!.carryM - carryM) * (point.carryM - carryM) <= 0)
  if (at < 1 || points[at]!.carryM === points[at - 1]!.carryM) return null
  const [a, b] = [points[at - 1]!, points[at]!]
  return between(carryM, [a.carryM, a.value], [b.carryM, b.value])
}
