import type { Memo } from '../memo'
import { cos, ln, sin } from '../stats/exact'

/** Strikes in a look while an aim is searched, while it is refined, and in the figures that are shown. */
export const STRIKES_A_LOOK = 128
export const STRIKES_REFINED = 512
export const STRIKES_AIMED = 1024
export const STRIKES_SHOWN = 2048

/** Steps of Roberts' sequence in two dimensions: powers of the root of x³ = x + 1. */
const PLASTIC = 1.324717957244746
const STEP = [1 / PLASTIC, 1 / (PLASTIC * PLASTIC)] as const

/**
 * So many strikes of a normal pattern, evenly spread instead of drawn: each with its mirror images, so that their means
 * are 0, and scaled to a standard deviation of 1. Sums over them come nearer to the integral than as many draws.
 */
function normalPoints(count: number): Float64Array {
  const points = new Float64Array(2 * count)
  const quarter = Math.floor(count / 4)
  let squares = 0
  for (let k = 0; k < quarter; k++) {
    const u = (0.5 + (k + 1) * STEP[0]) % 1
    const v = (0.5 + (k + 1) * STEP[1]) % 1
    // Box and Muller, over a quarter of the circle.
    const r = Math.sqrt(-2 * ln(1 - u))
    const [x, y] = [r * cos((Math.PI / 2) * v), r * sin((Math.PI / 2) * v)]
    squares += x * x + y * y
    for (const [m, sx, sy] of [
      [0, 1, 1],
      [1, -1, 1],
      [2, 1, -1],
      [3, -1, -1],
    ] as const) {
      points[2 * (4 * k + m)] = sx * x
      points[2 * (4 * k + m) + 1] = sy * y
    }
  }
  const scale = Math.sqrt((2 * quarter) / squares)
  for (let i = 0; i < points.length; i++) points[i] = points[i]! * scale
  return points
}

/**
 * Points that stand for strikes: pairs (along, across) in standard deviations.
 * @param count a multiple of four
 */
export const strikePoints = (count: number, memo: Memo): Float64Array =>
  memo.recall('strikes', String(count), () => normalPoints(count))
