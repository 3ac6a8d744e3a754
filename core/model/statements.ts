import { exp, ln } from '../stats/exact'
import gammainc from '../stats/vendor/gammainc.js'
import { MODEL, MOVE, SAY } from './constants'
import type { Fit } from './fit'
import { ballShares, kindsDensity, pileShares } from './kinds'
import { normalCdf, studentQuantile, Z_80 } from '../stats/normal'

/** Student's distribution function by a normal one: Abramowitz & Stegun, 26.7.8. */
function studentCdf(t: number, degrees: number): number {
  return normalCdf((t * (1 - 1 / (4 * degrees))) / Math.sqrt(1 + (t * t) / (2 * degrees)))
}

/** So that two names for one cell still divide. */
const LEAST_VARIANCE_M2 = 1e-12

/** Difference of two stock carries, metres, and its standard deviation: what they have in common cancels. */
function difference(fit: Fit, a: number, b: number) {
  const n = fit.mean.length
  const ca = exp(fit.mean[a]!)
  const cb = exp(fit.mean[b]!)
  const variance =
    ca * ca * fit.covariance[a * n + a]! +
    cb * cb * fit.covariance[b * n + b]! -
    2 * ca * cb * fit.covariance[a * n + b]!
  return { dM: cb - ca, sdM: Math.sqrt(Math.max(LEAST_VARIANCE_M2, variance)) }
}

/** Half of the stretch in which the step between two carries lies 8 times in 10, metres. */
export function stepHalf80M(fit: Fit, shorter: number, longer: number): number {
  return studentQuantile(Z_80, fit.degrees) * difference(fit, shorter, longer).sdM
}

/** Probability that the step from one cell up to another is wider than the limit. */
export function probabilityOfGap(fit: Fit, shorter: number, longer: number, limitM: number): number {
  const { dM, sdM } = difference(fit, shorter, longer)
  return studentCdf((dM - limitM) / sdM, fit.degrees)
}

/** Probability that two cells carry the same to within the limit. */
export function probabilityOfOverlap(fit: Fit, a: number, b: number, limitM: number): number {
  const { dM, sdM } = difference(fit, a, b)
  return studentCdf((limitM - dM) / sdM, fit.degrees) - studentCdf((-limitM - dM) / sdM, fit.degrees)
}

/**
 * Probability that two rows of cells carry the same to within the limit on average: what each pair tells adds up.
 * @param pairs cells of the two rows with the same swing length, one pair a length
 */
export function probabilityOfSameOnAverage(fit: Fit, pairs: readonly (readonly [number, number])[], limitM: number) {
  const n = fit.mean.length
  const weights = pairs.flatMap(([a, b]): [number, number][] => [
    [a, -exp(fit.mean[a]!) / pairs.length],
    [b, exp(fit.mean[b]!) / pairs.length],
  ])
  let [dM, variance] = [0, 0]
  for (const [i, wi] of weights) {
    dM += wi
    for (const [j, wj] of weights) variance += wi * wj * fit.covariance[i * n + j]!
  }
  const sdM = Math.sqrt(Math.max(LEAST_VARIANCE_M2, variance))
  return studentCdf((limitM - dM) / sdM, fit.degrees) - studentCdf((-limitM - dM) / sdM, fit.degrees)
}

/** Probability that the step from b up to c differs from the step from a up to b by more than the limit. */
export function probabilityOfUneven(fit: Fit, a: number, b: number, c: number, limitM: number): number {
  const n = fit.mean.length
  const cells = [a, b, c]
  const carries = cells.map(i => exp(fit.mean[i]!))
  // c − 2b + a, each carry by its logarithm.
  const weights = [carries[0]!, -2 * carries[1]!, carries[2]!]
  const bendM = carries[2]! - 2 * carries[1]! + carries[0]!
  let variance = 0
  cells.forEach((i, x) =>
    cells.forEach((j, y) => {
      variance += weights[x]! * weights[y]! * fit.covariance[i * n + j]!
    }),
  )
  const sdM = Math.sqrt(Math.max(LEAST_VARIANCE_M2, variance))
  return studentCdf((bendM - limitM) / sdM, fit.degrees) + studentCdf((-limitM - bendM) / sdM, fit.degrees)
}

/** Probability that a cell scatters more than `ratio` times the player's own usual. */
export function probabilityOfLooser(fit: Fit, cell: number, ratio: number): number {
  const seen = fit.cellDegrees[cell]!
  const squares = fit.looseness[cell]! * (MODEL.loosenessBalls + seen) - MODEL.loosenessBalls
  const told = MODEL.loosenessBalls + SAY.scatterWorth * squares
  return gammainc(told / (2 * ratio * ratio), (MODEL.loosenessBalls + SAY.scatterWorth * seen) / 2)
}

/** What was published of a cell: its carry, how sure it was, and when. */
export interface Published {
  carryM: number
  lnVariance: number
}

/** Balls of one cell in one session since. */
export interface SessionOfCell {
  shots: readonly { carryM: number; measSdM: number; balls: number }[]
  /** Error that all of them share beside the day's own, of the logarithm: a guessed wind, say. */
  commonSd?: number
}

function logSum(values: Float64Array): number {
  const top = values.reduce((most, v) => Math.max(most, v), -Infinity)
  return top + ln(values.reduce((sum, v) => sum + exp(v - top), 0))
}

/**
 * Evidence that a stock carry has moved since it was published: a test martingale, so 20 or more comes falsely in at
 * most one cell in twenty however often one looks (Ville's inequality).
 * The likelihood of each session's balls on a grid about the published carry, as clean, mishit, flyer or misread,
 * smeared by the day effect, multiplied over sessions; its mean under "moved" over its mean under "as it was".
 * @param sessions this cell's balls in each session since the publication
 */
export function evidenceOfMove(
  fit: Fit,
  cell: number,
  published: Published,
  sessions: readonly SessionOfCell[],
): number {
  const centre = ln(published.carryM)
  const size = 2 * MOVE.gridHalf + 1
  const at = (k: number) => (k - MOVE.gridHalf) * MOVE.gridStep
  const growth = 1 + MODEL.spreadOffsetM / published.carryM
  const own = fit.spread ** 2 * fit.looseness[cell]! * growth ** 2
  // Who mishits often has not moved for it.
  const single = ballShares(fit.mishitShare)
  const total = new Float64Array(size)
  for (const { shots, commonSd = 0 } of sessions) {
    const smear = Math.hypot(MODEL.daySd, commonSd)
    const reach = Math.ceil((MOVE.dayTaps * smear) / MODEL.daySd)
    const taps = Array.from({ length: 2 * reach + 1 }, (_, i) =>
      exp(-0.5 * (((i - reach) * MOVE.gridStep) / smear) ** 2),
    )
    const likelihood = new Float64Array(size)
    for (const { carryM, measSdM, balls } of shots) {
      const v = own * (balls > 1 ? MODEL.pileFactor / balls : 1) + (measSdM / published.carryM) ** 2
      const shares = balls > 1 ? pileShares(balls, fit.mishitShare) : single
      for (let k = 0; k < size; k++) likelihood[k]! += ln(kindsDensity(ln(carryM) - centre - at(k), v, shares))
    }
    const top = likelihood.reduce((most, l) => Math.max(most, l), -Infinity)
    for (let k = 0; k < size; k++) {
      let sum = 0
      let weight = 0
      for (let i = 0; i < taps.length; i++) {
        const other = k + i - reach
        if (other < 0 || other >= size) continue
        sum += taps[i]! * exp(likelihood[other]! - top)
        weight += taps[i]!
      }
      total[k]! += top + ln(sum / weight + 1e-300)
    }
  }
  const weigh = (variance: number) => {
    const log = Float64Array.from({ length: size }, (_, k) => (-0.5 * at(k) ** 2) / variance)
    const norm = logSum(log)
    return logSum(log.map((l, k) => l - norm + total[k]!))
  }
  return exp(weigh(published.lnVariance + MOVE.shiftSd ** 2) - weigh(published.lnVariance))
}
