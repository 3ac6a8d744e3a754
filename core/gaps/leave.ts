import erfcinv from '@stdlib/math-base-special-erfcinv'

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

/** Points along and across that stand for the scatter: chosen so that both figures are within a hundredth (see the tests). */
const ALONG = 24
const ACROSS = 9
/** A mishit falls this share of the carry short, and scatters by that share more. From memory. */
const MISHIT_SHORT = 0.18
const MISHIT_SD = 0.10
const BAD_SHARE = 0.9

/** Quantiles of a normal at the middles of equal shares, stretched to variance 1. */
function nodes(count: number): Float64Array {
  const raw = Float64Array.from({ length: count }, (_, k) => -Math.SQRT2 * erfcinv(2 * (k + 0.5) / count))
  const sd = Math.sqrt(raw.reduce((sum, z) => sum + z * z, 0) / count)
  return raw.map(z => z / sd)
}
const Z_ALONG = nodes(ALONG)
const Z_ACROSS = nodes(ACROSS)
const POINTS = ALONG * ACROSS

const clean = new Float64Array(POINTS)
const mishit = new Float64Array(POINTS)
const across = new Float64Array(ACROSS)

/** Distances of all points into `into`. @returns their sum */
function distances(into: Float64Array, offM: number, sdM: number, sideBiasM: number, sideSdM: number): number {
  for (let j = 0; j < ACROSS; j++) {
    const y = sideBiasM + sideSdM * Z_ACROSS[j]!
    across[j] = y * y
  }
  let sum = 0
  for (let i = 0; i < ALONG; i++) {
    const x = offM + sdM * Z_ALONG[i]!
    for (let j = 0; j < ACROSS; j++) {
      const r = Math.sqrt(x * x + across[j]!)
      into[i * ACROSS + j] = r
      sum += r
    }
  }
  return sum
}

/**
 * Mean distance from the target at which a ball of this shot pitches, metres. At least as far as its mean lies off.
 * @example meanLeaveM(90, { carryM: 90, longSdM: 4.5, sideBiasM: 0, sideSdM: 4, mishitShare: 0.07 }) // => 6.258
 */
export function meanLeaveM(targetM: number, { carryM, longSdM, sideBiasM, sideSdM, mishitShare }: Scatter): number {
  const good = distances(clean, carryM - targetM, longSdM, sideBiasM, sideSdM) / POINTS
  if (mishitShare === 0) return good
  const bad = distances(mishit, carryM * (1 - MISHIT_SHORT) - targetM, Math.hypot(MISHIT_SD * carryM, longSdM), sideBiasM, sideSdM) / POINTS
  return (1 - mishitShare) * good + mishitShare * bad
}

/** Mean of |x| over the standard deviation, for a normal about 0: no normal of that scatter has less. */
const LEAST_MEAN = Math.sqrt(2 / Math.PI)
/** The points stand for a normal to within this. */
const POINTS_SHORT = 0.98

/**
 * A figure that the mean leave does not come under, quickly: means of |x| and |y| are at least as great as their offsets
 * and as their scatter alone makes them, and the mean of a distance at least the distance of the means (Jensen).
 */
export function leastLeaveM(targetM: number, carryM: number, longSdM: number, sideBiasM: number, sideSdM: number, mishitShare: number): number {
  const y = Math.max(Math.abs(sideBiasM), LEAST_MEAN * sideSdM)
  const good = Math.max(Math.abs(carryM - targetM), LEAST_MEAN * longSdM)
  const bad = Math.max(Math.abs(carryM * (1 - MISHIT_SHORT) - targetM), LEAST_MEAN * MISHIT_SD * carryM)
  return POINTS_SHORT * ((1 - mishitShare) * Math.sqrt(good * good + y * y) + mishitShare * Math.sqrt(bad * bad + y * y))
}

/** Mean leave and the leave of the worst in ten. */
export function leave(targetM: number, scatter: Scatter): Leave {
  const meanM = meanLeaveM(targetM, scatter)
  const { mishitShare } = scatter
  clean.sort()
  if (mishitShare === 0) return { meanM, badM: clean[Math.ceil(BAD_SHARE * POINTS - 1e-9) - 1]! }
  mishit.sort()
  const [w, v] = [(1 - mishitShare) / POINTS, mishitShare / POINTS]
  let i = 0
  let j = 0
  let weight = 0
  let badM = 0
  // Both lists in order, the nearer first, until nine tenths are counted.
  while (weight < BAD_SHARE - 1e-9) {
    if (j >= POINTS || (i < POINTS && clean[i]! <= mishit[j]!)) {
      badM = clean[i++]!
      weight += w
    } else {
      badM = mishit[j++]!
      weight += v
    }
  }
  return { meanM, badM }
}
