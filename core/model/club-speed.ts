import { exp, ln } from '../stats/exact'
import { SPEED } from './constants'

export interface SpeedLine {
  a: number
  b: number
  /** Covariance of a and b: variance of a, covariance, variance of b. */
  covariance: [number, number, number]
}

/** The line of one club from balls whose club speed was measured. With no ball it is the prior. */
export function fitSpeedLine(shots: readonly { speedMph: number; carryM: number; measSdM: number }[]): SpeedLine {
  let [paa, pab, pbb] = [1 / SPEED.aSd ** 2, 0, 1 / SPEED.bSd ** 2]
  let [ra, rb] = [SPEED.a * paa, SPEED.b * pbb]
  for (const { speedMph, carryM, measSdM } of shots) {
    const w = 1 / (SPEED.shotSd ** 2 + (measSdM / carryM) ** 2)
    const x = ln(speedMph / SPEED.atMph)
    paa += w
    pab += w * x
    pbb += w * x * x
    ra += w * ln(carryM)
    rb += w * x * ln(carryM)
  }
  const determinant = paa * pbb - pab * pab
  return {
    a: (pbb * ra - pab * rb) / determinant,
    b: (paa * rb - pab * ra) / determinant,
    covariance: [pbb / determinant, -pab / determinant, paa / determinant],
  }
}

/** A ball as far as its line goes. */
export type SpeedBall = Parameters<typeof fitSpeedLine>[0][number]

/** A ball further off than this share of its line was no clean strike. Our choice. */
const MISHIT_SHARE = 0.12

/**
 * The line again without the balls that lie far off a first one: a mishit at full speed would pull it down.
 * @param least fewer clean balls than this, and the first line stands
 */
export function fitCleanLine(shots: readonly SpeedBall[], least: number): SpeedLine {
  const first = fitSpeedLine(shots)
  const near = shots.filter(
    ({ carryM, speedMph }) => Math.abs(carryM / carryAtSpeed(first, speedMph).carryM - 1) < MISHIT_SHARE,
  )
  return near.length >= least ? fitSpeedLine(near) : first
}

/** Carry at a club speed, metres, and the standard deviation of its logarithm. */
export function carryAtSpeed(
  { a, b, covariance: [vaa, vab, vbb] }: SpeedLine,
  speedMph: number,
): { carryM: number; lnSd: number } {
  const x = ln(speedMph / SPEED.atMph)
  return { carryM: exp(a + b * x), lnSd: Math.sqrt(vaa + 2 * x * vab + x * x * vbb) }
}
