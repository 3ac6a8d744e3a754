import { lossShare } from '../flight/ball-type'
import type { Fit } from '../model/fit'
import { exp } from '../stats/exact'

/** Balls of one session, by their place in the fit. */
export interface SessionBalls {
  /** Doubt about what its range balls lose at 100 yd, in ln carry; missing where none were hit. */
  lossSd?: number
  balls: readonly { cell: number; balls: number }[]
}

/**
 * The covariance of a fit that took the error of range balls for another one in each session. It is the same in all of
 * them: ten sessions tell no more of it than one does. With k sessions of range balls the fit holds a k-th of that
 * doubt; what is missing is added along the say that range balls have in each number.
 * @returns the fit's own where fewer than two sessions have range balls
 */
export function withSameLoss(
  { mean, covariance, information }: Pick<Fit, 'mean' | 'covariance' | 'information'>,
  sessions: readonly SessionBalls[],
): Float64Array {
  const range = sessions.filter(({ lossSd, balls }) => lossSd !== undefined && balls.length > 0)
  if (range.length < 2) return covariance
  const n = mean.length
  const [all, ofRange] = [new Float64Array(n), new Float64Array(n)]
  for (const { lossSd, balls } of sessions)
    for (const ball of balls) {
      all[ball.cell]! += ball.balls
      if (lossSd !== undefined) ofRange[ball.cell]! += ball.balls
    }
  // By how much each cell's balls are off, where range balls lose more than is thought by 1 in ln carry.
  const off = mean.map((ln, cell) => (all[cell] === 0 ? 0 : (ofRange[cell]! / all[cell]!) * lossShare(exp(ln))))
  const times = (matrix: Float64Array, vector: Float64Array) =>
    vector.map((_, i) => vector.reduce((sum, value, j) => sum + matrix[i * n + j]! * value, 0))
  // Drift since is not in what the balls say: a shift of all of them moves no number by more than itself.
  const whole = times(covariance, times(information, all.map(Math.sign)))
  const say = times(covariance, times(information, off)).map((value, i) => value / Math.max(1, whole[i]!))
  const missing = range[0]!.lossSd! ** 2 * (1 - 1 / range.length)
  return covariance.map((value, at) => value + missing * (say[Math.floor(at / n)]! * say[at % n]!))
}
