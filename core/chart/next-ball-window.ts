import tQuantile from '@stdlib/stats-base-dists-t-quantile'

/**
 * Fewer balls than this say nothing useful about spread: with two, the interval is wider than the range itself.
 * Our choice: three is the quick look that coaches take at a cell (common practice).
 */
export const WINDOW_FROM_BALLS = 3

/**
 * Where the next ball lands 8 times in 10: a two-sided t-interval for one more draw, put around the number.
 * x̄ ± t(0.9; n−1)·s·√(1 + 1/n): Hahn and Meeker, Statistical Intervals (1991), §4.7 (from memory).
 * Takes the balls as normal and alike; one mishit that counts widens it, and the coach may leave it out.
 * @param carriesM carries of the balls that count, metres
 * @param centreM the number the window is put around, metres
 * @returns [near end, far end] in metres, or null below three balls: an unknown spread is not zero
 * @example nextBallWindow([98, 101, 100, 103, 98], 100) // => [96.44, 103.56] to 0.01
 */
export function nextBallWindow(carriesM: readonly number[], centreM: number): [number, number] | null {
  const n = carriesM.length
  if (n < WINDOW_FROM_BALLS) return null
  const meanM = carriesM.reduce((sum, carryM) => sum + carryM, 0) / n
  const sumSquares = carriesM.reduce((sum, carryM) => sum + (carryM - meanM) ** 2, 0)
  const sdM = Math.sqrt(sumSquares / (n - 1))
  // The 1 under the root is the ball itself; without it this is the window of the average, far too narrow.
  const halfM = tQuantile(0.9, n - 1) * sdM * Math.sqrt(1 + 1 / n)
  return [Math.max(0, centreM - halfM), centreM + halfM]
}
