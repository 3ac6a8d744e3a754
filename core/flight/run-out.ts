import { cos } from '../stats/exact'
import { BALL_RADIUS_M, INERTIA_SHARE, rpmToRadS, toRad } from './ball'
import type { Flown } from './fly'
import { yardsToMetres } from '../units'

/**
 * How hard the ground stops a ball that grips, m/s². Soft is fitted to carry-and-total pairs (common practice); the
 * others are judgement.
 */
export const FIRMNESS_MS2 = { soft: 13, medium: 6.5, firm: 3.5 } as const
export type Firmness = keyof typeof FIRMNESS_MS2

/** Rolling speed of a solid ball that grips flat ground without sliding: impact mechanics, inertia 2/5 m·r². */
function grippingMs({
  landSpeedMs,
  descentDeg,
  landSpinRpm,
}: Pick<Flown, 'landSpeedMs' | 'descentDeg' | 'landSpinRpm'>): number {
  return (
    (landSpeedMs * cos(toRad(descentDeg)) - INERTIA_SHARE * BALL_RADIUS_M * rpmToRadS(landSpinRpm)) /
    (1 + INERTIA_SHARE)
  )
}

/**
 * How far the ball runs after it has pitched on flat ground, metres; negative when it spins back. Its error is about
 * half of it, and 0.7 yd at least.
 * @param stopMs2 how hard the ground stops it: one of `FIRMNESS_MS2`, or a range's own
 * @example runOutM({ landSpeedMs: 19.27, descentDeg: 41.2, landSpinRpm: 6607 }, 13) // => 1.45
 */
export function runOutM(landing: Pick<Flown, 'landSpeedMs' | 'descentDeg' | 'landSpinRpm'>, stopMs2: number): number {
  const u = grippingMs(landing)
  return (u * Math.abs(u)) / (2 * stopMs2)
}

export const runOutErrorM = (runM: number) => Math.max(yardsToMetres(0.7), 0.5 * Math.abs(runM))

const LEAST_PAIRS = 5
const STOP_RANGE_MS2 = [2, 25] as const

/** How hard a ground stops balls, from pairs of landing and run; null under five pairs. Least squares. */
export function stopFromPairs(
  pairs: readonly { landing: Pick<Flown, 'landSpeedMs' | 'descentDeg' | 'landSpinRpm'>; runM: number }[],
): number | null {
  if (pairs.length < LEAST_PAIRS) return null
  const us = pairs.map(pair => grippingMs(pair.landing))
  const top = us.reduce((sum, u) => sum + (u * u) ** 2, 0)
  const bottom = us.reduce((sum, u, i) => sum + u * Math.abs(u) * pairs[i]!.runM, 0)
  const stop = bottom > 0 ? top / (2 * bottom) : STOP_RANGE_MS2[1]
  return Math.min(STOP_RANGE_MS2[1], Math.max(STOP_RANGE_MS2[0], stop))
}
