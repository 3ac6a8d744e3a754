import { quickNormalCdf, quickNormalDensity, SURE_Z } from '../stats/normal'
import { cos, exp, sin } from '../stats/exact'

/** Where the balls of one shot pitch about a target. Metres; right is positive. */
export interface Scatter {
  carryM: number
  /** Along the line: scatter and the doubt about the number together, one standard deviation. */
  longSdM: number
  sideBiasM: number
  sideSdM: number
  /** Share of balls that are mishit, 0 to 1. */
  mishitShare: number
}

export interface Leave {
  /** Mean distance from where the ball pitches to the target, metres. */
  meanM: number
  /** One ball in ten ends further away than this: the worst of the bunch. */
  badM: number
}

/** A mishit falls this share of the carry short, and scatters by that share more. From memory. */
export const MISHIT_SHORT = 0.18
export const MISHIT_SD = 0.1
const BAD_SHARE = 0.9

/**
 * Points that stand for a normal: every half standard deviation, a quarter off the middle, so that none lies where the
 * distance has its edge. Sums over them are within 0.4 % of the integral, within 0.1 % where both scatters are alike
 * (measured against a million strikes in the tests).
 */
const STEP = 0.5
const REACH = 3.75
const Z = Float64Array.from({ length: Math.round((2 * REACH) / STEP) + 1 }, (_, i) => i * STEP - REACH)
const WEIGHT = (() => {
  const raw = Z.map(z => exp((-z * z) / 2))
  const sum = raw.reduce((total, w) => total + w, 0)
  return raw.map(w => w / sum)
})()
const COUNT = Z.length

const across = new Float64Array(COUNT)

/** Mean distance of a bivariate normal from the origin. */
function meanDistance(offM: number, sdM: number, sideBiasM: number, sideSdM: number): number {
  for (let j = 0; j < COUNT; j++) {
    const y = sideBiasM + sideSdM * Z[j]!
    across[j] = y * y
  }
  let sum = 0
  for (let i = 0; i < COUNT; i++) {
    const x = offM + sdM * Z[i]!
    const x2 = x * x
    let row = 0
    for (let j = 0; j < COUNT; j++) row += WEIGHT[j]! * Math.sqrt(x2 + across[j]!)
    sum += WEIGHT[i]! * row
  }
  return sum
}

const phi = (z: number) => (z <= -SURE_Z ? 0 : z >= SURE_Z ? 1 : quickNormalCdf(z))

/** Probability that a bivariate normal lies within a distance of the origin: exact along, summed across. */
function within(radiusM: number, offM: number, sdM: number, sideBiasM: number, sideSdM: number): number {
  // Across only as far as the circle reaches: beyond it there is nothing to add, and the edge would be jagged.
  const [low, high] = [(-radiusM - sideBiasM) / sideSdM, (radiusM - sideBiasM) / sideSdM]
  const [from, to] = [Math.max(-REACH, low), Math.min(REACH, high)]
  if (to <= from) return 0
  let sum = 0
  for (let k = 0; k < CIRCLE; k++) {
    // Points closer together at both ends, where the circle turns: the sine takes its square root away.
    const z = (from + to) / 2 - ((to - from) / 2) * COS[k]!
    const y = sideBiasM + sideSdM * z
    const half = Math.sqrt(Math.max(0, radiusM * radiusM - y * y))
    sum += SIN[k]! * quickNormalDensity(z) * (phi((half - offM) / sdM) - phi((-half - offM) / sdM))
  }
  return (((sum * (to - from)) / 2) * Math.PI) / CIRCLE
}
const CIRCLE = 12
const COS = Float64Array.from({ length: CIRCLE }, (_, k) => cos((Math.PI * (k + 0.5)) / CIRCLE))
const SIN = Float64Array.from({ length: CIRCLE }, (_, k) => sin((Math.PI * (k + 0.5)) / CIRCLE))
/** The worst of the bunch is looked for until it is known to a thousandth, or the share to one in fifty thousand. */
const MOST_LOOKS = 40
const CLOSE = 1e-3
const CLOSE_SHARE = 2e-5

/**
 * Mean distance from the target at which a ball of this shot pitches, metres. At least as far as its mean lies off.
 * @example meanLeaveM(90, { carryM: 90, longSdM: 4.5, sideBiasM: 0, sideSdM: 4, mishitShare: 0.07 }) // => 6.17
 */
export function meanLeaveM(targetM: number, { carryM, longSdM, sideBiasM, sideSdM, mishitShare }: Scatter): number {
  const good = meanDistance(carryM - targetM, longSdM, sideBiasM, sideSdM)
  if (mishitShare === 0) return good
  return (
    (1 - mishitShare) * good +
    mishitShare *
      meanDistance(carryM * (1 - MISHIT_SHORT) - targetM, Math.hypot(MISHIT_SD * carryM, longSdM), sideBiasM, sideSdM)
  )
}

/** Mean of |x| over the standard deviation, for a normal about 0: no normal of that scatter has less. */
const LEAST_MEAN = Math.sqrt(2 / Math.PI)
/** What the sum over points may fall short by. */
const POINTS_SHORT = 0.99

/**
 * A figure that the mean leave does not come under, quickly: means of |x| and |y| are at least as great as their
 * offsets and as their scatter alone makes them, and the mean of a distance at least the distance of the means
 * (Jensen).
 */
export function leastLeaveM(
  targetM: number,
  carryM: number,
  longSdM: number,
  sideBiasM: number,
  sideSdM: number,
  mishitShare: number,
): number {
  const y = Math.max(Math.abs(sideBiasM), LEAST_MEAN * sideSdM)
  const good = Math.max(Math.abs(carryM - targetM), LEAST_MEAN * longSdM)
  const bad = Math.max(Math.abs(carryM * (1 - MISHIT_SHORT) - targetM), LEAST_MEAN * MISHIT_SD * carryM)
  return (
    POINTS_SHORT * ((1 - mishitShare) * Math.sqrt(good * good + y * y) + mishitShare * Math.sqrt(bad * bad + y * y))
  )
}

/** Mean leave and the leave of the worst in ten. */
export function leave(targetM: number, scatter: Scatter): Leave {
  const { carryM, longSdM, sideBiasM, sideSdM, mishitShare } = scatter
  const share = (radiusM: number) =>
    (1 - mishitShare) * within(radiusM, carryM - targetM, longSdM, sideBiasM, sideSdM) +
    (mishitShare === 0
      ? 0
      : mishitShare *
        within(
          radiusM,
          carryM * (1 - MISHIT_SHORT) - targetM,
          Math.hypot(MISHIT_SD * carryM, longSdM),
          sideBiasM,
          sideSdM,
        ))
  const meanM = meanLeaveM(targetM, scatter)
  // False position with Illinois' rule: some six looks where halving takes sixteen.
  let [low, high] = [0, 1.7 * meanM]
  let [fLow, fHigh] = [-BAD_SHARE, share(high) - BAD_SHARE]
  while (fHigh < 0) [low, fLow, high, fHigh] = [high, fHigh, 1.5 * high, share(1.5 * high) - BAD_SHARE]
  let side = 0
  for (let k = 0; k < MOST_LOOKS && high - low > CLOSE * meanM; k++) {
    const next = (low * fHigh - high * fLow) / (fHigh - fLow)
    const f = share(next) - BAD_SHARE
    if (Math.abs(f) < CLOSE_SHARE) return { meanM, badM: next }
    if (f < 0) {
      ;[low, fLow] = [next, f]
      if (side < 0) fHigh /= 2
      side = -1
    } else {
      ;[high, fHigh] = [next, f]
      if (side > 0) fLow /= 2
      side = 1
    }
  }
  return { meanM, badM: (low + high) / 2 }
}
