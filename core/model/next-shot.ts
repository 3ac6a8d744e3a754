import { exp } from '../stats/exact'
import { mirror, passTime } from './belief'
import { MODEL, NEXT } from './constants'
import { ballSd } from './estimate'
import type { Fit } from './fit'
import { isWithin } from '../units'
import { Z_80 } from '../stats/normal'

export interface NextOptions {
  /** How the next ball is measured, standard deviation in metres. */
  measSdM: number
  /** Balls hit at once. */
  balls: number
  /** Worth of each cell; 0 for one that is struck out, which is then no candidate either. */
  need: readonly number[]
  /**
   * Of each cell the variance of ln carry that no ball takes away; missing is none. The fit's covariance is then
   * without it.
   */
  left?: ArrayLike<number>
}

const leftOf = ({ left }: Pick<NextOptions, 'left'>, cell: number): number => left?.[cell] ?? 0

/** Variance of ln carry of the next k balls of a cell about its stock carry. */
function ballVariance(fit: Fit, i: number, { measSdM, balls }: NextOptions): number {
  const scatter = ballSd(fit, i)
  return (scatter * scatter + (measSdM / exp(fit.mean[i]!)) ** 2) / NEXT.cleanOfAll / balls
}

/** Carry times need of each cell, and each cell's ball variance: what the rule needs again and again. */
function weights(fit: Fit, options: NextOptions) {
  const n = fit.mean.length
  const worth = new Float64Array(n)
  const noise = new Float64Array(n)
  for (let i = 0; i < n; i++) {
    worth[i] = options.need[i]! * exp(fit.mean[i]!)
    noise[i] = ballVariance(fit, i, options)
  }
  return { worth, noise }
}

/** Gain of every candidate at this covariance, into `gain`; sd is scratch. */
function gainsAt(
  covariance: Float64Array,
  worth: Float64Array,
  noise: Float64Array,
  options: Pick<NextOptions, 'left'>,
  sd: Float64Array,
  gain: Float64Array,
): void {
  const n = worth.length
  for (let c = 0; c < n; c++) sd[c] = Math.sqrt(covariance[c * n + c]! + leftOf(options, c))
  for (let j = 0; j < n; j++) {
    gain[j] = 0
    if (worth[j] === 0) continue
    const jn = j * n
    const total = covariance[jn + j]! + noise[j]!
    let sum = 0
    for (let c = 0; c < n; c++) {
      if (worth[c] === 0) continue
      const shared = covariance[jn + c]!
      const then = sd[c]! * sd[c]! - (shared * shared) / total
      sum += worth[c]! * (sd[c]! - Math.sqrt(then > 0 ? then : 0))
    }
    gain[j] = sum
  }
}

/** Index of the largest gain among cells in use, the first of equals; −1 when none is in use. */
function best(gain: Float64Array, worth: Float64Array): number {
  let top = -1
  for (let j = 0; j < gain.length; j++) if (worth[j] !== 0 && (top < 0 || gain[j]! > gain[top]!)) top = j
  return top
}

/** Metres of doubt (one standard deviation, summed over the chart) that k balls of each cell would take away. */
export function gains(fit: Fit, options: NextOptions): number[] {
  const { worth, noise } = weights(fit, options)
  const gain = new Float64Array(worth.length)
  gainsAt(fit.covariance, worth, noise, options, new Float64Array(worth.length), gain)
  return [...gain]
}

export interface NextShot {
  cell: number
  /** Doubt it takes off the whole chart, metres. */
  gainM: number
  /** Other cells that learn from it, those that learn most first. */
  others: number[]
}

/**
 * The stock shot whose next balls teach most about the whole chart; ties go to the lower index.
 * @returns null when no cell is in use
 */
export function hitNext(fit: Fit, options: NextOptions): NextShot | null {
  const n = fit.mean.length
  const { worth, noise } = weights(fit, options)
  const gain = new Float64Array(n)
  gainsAt(fit.covariance, worth, noise, options, new Float64Array(n), gain)
  const cell = best(gain, worth)
  if (cell < 0) return null
  const total = fit.covariance[cell * n + cell]! + noise[cell]!
  const learns = Array.from({ length: n }, (_, c) => {
    const now = fit.covariance[c * n + c]! + leftOf(options, c)
    return worth[c]! * (Math.sqrt(now) - Math.sqrt(Math.max(0, now - fit.covariance[c * n + cell]! ** 2 / total)))
  })
  const others = learns
    .map((_, c) => c)
    .filter(c => c !== cell && learns[c]! >= NEXT.learnsFrom * gain[cell]!)
    .sort((a, b) => learns[b]! - learns[a]!)
  return { cell, gainM: gain[cell]!, others }
}

/**
 * The next few stock shots, each as if the balls of those before it had been hit already.
 * @returns at most `count`, none when no cell is in use
 */
export function hitNextFew(fit: Fit, options: NextOptions, count: number): NextShot[] {
  const n = fit.mean.length
  const ahead: Fit = { ...fit, covariance: fit.covariance.slice() }
  const shots: NextShot[] = []
  while (shots.length < count) {
    const next = hitNext(ahead, options)
    if (!next) break
    shots.push(next)
    learnFrom(ahead.covariance, n, next.cell, ballVariance(fit, next.cell, options))
  }
  return shots
}

/** Takes away, in place, what a ball of cell j with this variance would tell. */
function learnFrom(covariance: Float64Array, n: number, j: number, variance: number): void {
  const total = covariance[j * n + j]! + variance
  const column = covariance.slice(j * n, j * n + n)
  for (let a = 0; a < n; a++) {
    const share = column[a]! / total
    for (let b = 0; b < n; b++) covariance[a * n + b]! -= share * column[b]!
  }
}

/** Cells in use that are known to within ± `withinM`, 8 times in 10, of how many in use. */
export function cellsWithin(
  fit: Pick<Fit, 'mean' | 'covariance'>,
  need: readonly number[],
  withinM: number,
  left?: ArrayLike<number>,
): { within: number; inUse: number } {
  const n = fit.mean.length
  let within = 0
  let inUse = 0
  for (let i = 0; i < n; i++) {
    if (need[i] === 0) continue
    inUse++
    if (isWithin(Z_80 * exp(fit.mean[i]!) * Math.sqrt(fit.covariance[i * n + i]! + leftOf({ left }, i)), withinM))
      within++
  }
  return { within, inUse }
}

/**
 * True when eight tenths of the cells in use are known as surely as wanted.
 * @example isEnough({ within: 8, inUse: 10 })
 * // => true
 */
export function isEnough({ within, inUse }: { within: number; inUse: number }): boolean {
  return within >= NEXT.goodEnoughShare * inUse
}

/** True when eight tenths of the cells in use are known to within ± `withinM`, 8 times in 10. */
export function goodEnough(
  fit: Pick<Fit, 'mean' | 'covariance'>,
  { need, left }: Pick<NextOptions, 'need' | 'left'>,
  withinM: number,
): boolean {
  return isEnough(cellsWithin(fit, need, withinM, left))
}

/**
 * About how many more balls until the chart is good enough, each hit where it teaches most.
 * Works on the covariance alone: what the balls will carry does not matter for how sure they make.
 * @returns balls, `NEXT.mostBallsForecast` when it would take more
 */
export function ballsToGo(fit: Fit, options: NextOptions, withinM: number): number {
  const n = fit.mean.length
  const { worth, noise } = weights(fit, { ...options, balls: 1 })
  const covariance = fit.covariance.slice()
  const [gain, sd] = [new Float64Array(n), new Float64Array(n)]
  for (let balls = 0; balls < NEXT.mostBallsForecast; balls++) {
    if (goodEnough({ mean: fit.mean, covariance }, options, withinM)) return balls
    gainsAt(covariance, worth, noise, options, sd, gain)
    const j = best(gain, worth)
    if (j < 0) return balls
    learnFrom(covariance, n, j, noise[j]!)
  }
  return NEXT.mostBallsForecast
}

/**
 * Days after the last session until so much may have drifted that less than eight tenths of the cells in use are
 * known to within one and a half times the wanted certainty; between 14 and 45 days, about once a month (common
 * practice).
 * @param elapsedDays since the last session, whose drift the fit already holds
 */
export function daysToRetest(
  fit: Pick<Fit, 'mean' | 'covariance'>,
  need: readonly number[],
  withinM: number,
  elapsedDays: number,
): number {
  const n = fit.mean.length
  const perDay = (MODEL.driftSd * MODEL.driftSd + MODEL.driftCellSd * MODEL.driftCellSd) / MODEL.driftDays
  const covariance = fit.covariance.slice()
  const drifted = perDay * Math.max(0, Math.min(elapsedDays, MODEL.longestGapDays))
  for (let i = 0; i < n; i++) covariance[i * n + i]! -= drifted
  for (let day = 0; day < NEXT.retestDaysMost; day++) {
    if (
      day >= NEXT.retestDaysLeast &&
      !goodEnough({ mean: fit.mean, covariance }, { need }, NEXT.retestSlack * withinM)
    )
      return day
    for (let i = 0; i < n; i++) covariance[i * n + i]! += perDay
  }
  return NEXT.retestDaysMost
}

/**
 * The balls that make a chart sure again on a day: each where it teaches most, until the chart is as sure as wanted.
 * @param daysAhead from the day of the fit to the day it is hit
 * @returns stock shots in the order they are first hit, with their balls and what learns from them, at most
 *   `NEXT.retestBallsMost` balls in all; and whether that is enough
 */
export function retestBalls(
  fit: Fit,
  options: NextOptions,
  withinM: number,
  daysAhead: number,
): { balls: (NextShot & { balls: number })[]; enough: boolean } {
  const n = fit.mean.length
  const belief = { mean: fit.mean, covariance: fit.covariance.slice() }
  passTime(belief, 0, daysAhead)
  mirror(belief.covariance, n)
  const ahead: Fit = { ...fit, covariance: belief.covariance }
  const one = { ...options, balls: 1 }
  const byCell = new Map<number, NextShot & { balls: number }>()
  for (let ball = 0; ball < NEXT.retestBallsMost; ball++) {
    if (ball >= NEXT.retestBallsLeast && goodEnough(ahead, options, withinM)) break
    const next = hitNext(ahead, one)
    if (!next) break
    const known = byCell.get(next.cell)
    byCell.set(next.cell, known ? { ...known, balls: known.balls + 1 } : { ...next, balls: 1 })
    learnFrom(ahead.covariance, n, next.cell, ballVariance(fit, next.cell, one))
  }
  return { balls: [...byCell.values()], enough: goodEnough(ahead, options, withinM) }
}
