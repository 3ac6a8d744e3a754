import { spentAt } from '../practice/history'
import { Z_80 } from '../stats/quantiles'
import { studentTail } from '../stats/student'

/** One in 20 players is ever told what is not so, whenever it is looked at. */
export const FALSE_COURSE = 0.05
/** Balls before anything is said. Our choice. */
export const LEAST_BALLS = 12

/** A mean with the half of its 8-in-10 interval, from how many. */
export interface Mean {
  mean: number
  half: number
  balls: number
  /** That it is not 0 is no luck. */
  isSure: boolean
}

/** Whether the test of a look after a round has found something. @param round which it was, from 0 */
export const isFound = (tail: number, round: number): boolean => 2 * tail <= spentAt(round + 2, FALSE_COURSE)

/**
 * The mean of what came in round by round, looked at after each of them by Student's t with a share of the false alarms
 * that shrinks (0.05/(k(k + 1)) at look k).
 * @param keep which of all the values so far are judged; all of them when left away
 * @returns as the last look has it; null from fewer than 12
 * @example sureMean([[1, 1.2, 0.8, 1, 1.1, 0.9, 1, 1.2, 0.8, 1, 1.1, 0.9]])?.isSure // => true
 */
export function sureMean(
  rounds: readonly (readonly number[])[],
  keep: (values: readonly number[]) => readonly number[] = values => values,
): Mean | null {
  let found: Mean | null = null
  const values: number[] = []
  rounds.forEach((fresh, i) => {
    values.push(...fresh)
    const kept = keep(values)
    const n = kept.length
    if (n < LEAST_BALLS) {
      found = null
      return
    }
    const mean = kept.reduce((sum, value) => sum + value, 0) / n
    const squares = kept.reduce((sum, value) => sum + (value - mean) ** 2, 0)
    const se = Math.sqrt(squares / (n - 1) / n)
    found = { mean, half: Z_80 * se, balls: n, isSure: se > 0 && isFound(studentTail(Math.abs(mean) / se, n - 1), i) }
  })
  return found
}
