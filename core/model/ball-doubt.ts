import type { Belief } from './belief'
import type { SessionColumns } from './shots'

/**
 * Gives back the variance that sites leave out which speak of their own ball alone: a cell lies in one place if the
 * ball is clean and in another if it is not, w·(1 − w) times the square of the way between. In place, lower triangle;
 * what is known of other cells by this one widens with it.
 * @param belief after all sessions, at their final sites
 */
export function widenByDoubt({ covariance, mean }: Belief, works: readonly SessionColumns[]): void {
  const n = mean.length
  const extra = new Float64Array(n)
  for (const work of works) {
    const { at, cells, y, counts, clean, own, pileShare, measured2, inverseCarry2, without, withoutV, variance } = work
    for (let k = 0; k < at.length; k++) {
      if (counts[k] === 1) continue
      const place = at[k]!
      const cell = cells[place]!
      const noise = own[place]! * pileShare[k]! + measured2[k]! * inverseCarry2[place]!
      // Later sessions know the cell better than the ball's own day did, and leave less of the way.
      const left = Math.min(1, covariance[cell * n + cell]! / variance[place]!)
      const apart = left * (withoutV[k]! / (withoutV[k]! + noise)) * (y[k]! - without[k]!)
      extra[cell]! += clean[k]! * (1 - clean[k]!) * apart * apart
    }
  }
  const column = new Float64Array(n)
  for (let c = 0; c < n; c++) {
    if (extra[c] === 0) continue
    const v = covariance[c * n + c]!
    for (let i = 0; i < n; i++) column[i] = (i >= c ? covariance[i * n + c]! : covariance[c * n + i]!) / v
    for (let i = 0; i < n; i++)
      for (let j = 0; j <= i; j++) covariance[i * n + j]! += extra[c]! * column[i]! * column[j]!
  }
}
