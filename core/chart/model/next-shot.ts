import { MODEL } from './constants'
import type { Fit } from './fit'
import { Z_80 } from './normal'

/** Nine balls in ten are clean, so a ball tells a little less than its scatter says. [cp] */
const CLEAN_OF_ALL = 0.9
/** A forecast beyond this says "many". */
export const MOST_BALLS_FORECAST = 400
/** Good enough: this share of the cells in use within the wanted certainty. Our choice. */
export const GOOD_ENOUGH_SHARE = 0.8

export interface NextOptions {
  /** How the next ball is measured, standard deviation in metres. */
  measSdM: number
  /** Balls hit at once. */
  balls: number
  /** Worth of each cell; 0 for one that is struck out, which is then no candidate either. */
  need: readonly number[]
}

/** Variance of ln carry of the next k balls of a cell about its stock carry. */
function ballVariance(fit: Fit, i: number, { measSdM, balls }: NextOptions): number {
  const carryM = Math.exp(fit.mean[i]!)
  const own = fit.spread ** 2 * fit.looseness[i]! * (1 + MODEL.spreadOffsetM / carryM) ** 2
  return (own + (measSdM / carryM) ** 2) / CLEAN_OF_ALL / balls
}

/** Metres of doubt that k balls of each cell would take off the whole chart; 0 for cells not in use. */
export function gains(fit: Fit, options: NextOptions): number[] {
  const n = fit.mean.length
  const carries = fit.mean.map(Math.exp)
  return Array.from({ length: n }, (_, j) => {
    if (options.need[j] === 0) return 0
    const total = fit.covariance[j * n + j]! + ballVariance(fit, j, options)
    let gain = 0
    for (let c = 0; c < n; c++) {
      const now = fit.covariance[c * n + c]!
      const then = Math.max(0, now - fit.covariance[c * n + j]! ** 2 / total)
      gain += options.need[c]! * carries[c]! * (Math.sqrt(now) - Math.sqrt(then))
    }
    return gain
  })
}

/**
 * The stock shot whose next balls teach most about the whole chart; ties go to the lower index.
 * @returns its index, or null when no cell is in use
 */
export function hitNext(fit: Fit, options: NextOptions): number | null {
  const list = gains(fit, options)
  const best = list.reduce<number | null>((top, gain, j) => options.need[j] !== 0 && (top === null || gain > list[top]!) ? j : top, null)
  return best
}

/** True when eight tenths of the cells in use are known to within ± `withinM`, 8 times in 10. */
export function goodEnough(fit: Fit, need: readonly number[], withinM: number): boolean {
  const n = fit.mean.length
  const inUse = need.flatMap((worth, i) => worth === 0 ? [] : [i])
  const known = inUse.filter(i => Z_80 * Math.exp(fit.mean[i]!) * Math.sqrt(fit.covariance[i * n + i]!) <= withinM)
  return known.length >= GOOD_ENOUGH_SHARE * inUse.length
}

/**
 * About how many more balls until the chart is good enough, each hit where it teaches most.
 * Works on the covariance alone: what the balls will carry does not matter for how sure they make.
 * @returns balls, `MOST_BALLS_FORECAST` when it would take more
 */
export function ballsToGo(fit: Fit, options: NextOptions, withinM: number): number {
  const n = fit.mean.length
  const ahead: Fit = { ...fit, covariance: fit.covariance.slice() }
  for (let balls = 0; balls < MOST_BALLS_FORECAST; balls++) {
    if (goodEnough(ahead, options.need, withinM)) return balls
    const j = hitNext(ahead, { ...options, balls: 1 })
    if (j === null) return balls
    const total = ahead.covariance[j * n + j]! + ballVariance(ahead, j, { ...options, balls: 1 })
    const column = Float64Array.from({ length: n }, (_, i) => ahead.covariance[i * n + j]!)
    for (let a = 0; a < n; a++) for (let b = 0; b < n; b++) ahead.covariance[a * n + b]! -= column[a]! * column[b]! / total
  }
  return MOST_BALLS_FORECAST
}
