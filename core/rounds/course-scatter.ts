import { exp, ln } from '../stats/exact'
import { median } from '../stats/median'
import { Z_80 } from '../stats/quantiles'
import { COURSE_SCATTER } from '../pick/strokes'
import { chancesOf, type Approach, type Played } from './approach'

/** How many times as wide balls lie on the course as on the range, with 8-in-10 bounds. */
export interface CourseScatter {
  times: number
  least: number
  most: number
  balls: number
}

/** Before any round: the usual 1.5, good to a quarter either way two times in three. Our choice. */
const PRIOR_LN_SD = 0.25
/** The middle deviation of n balls tells as much as the root mean square of 0.37 n (Huber, 1981, from memory). */
const EFFICIENCY = 0.37
const MAD_TO_SD = 1.4826
/** Balls before anything is said. Our choice. */
const LEAST_BALLS = 20

/**
 * The player's own course scatter against the range's: the middle deviation of where approaches end, each in scatters
 * of its stock shot on the range, drawn towards the usual while few tell. Mishits and a usual miss to one side do not
 * move it.
 * @param sdM scatter on the range of the stock shot that an approach was hit with, metres; null where nobody knows
 * @returns null from fewer than 20 balls
 * @example courseScatter([], () => 4) // => null
 */
export function courseScatter(
  rounds: readonly Played[],
  sdM: (approach: Approach) => number | null,
): CourseScatter | null {
  const scores = chancesOf(rounds).flatMap(approach => {
    const sd = sdM(approach)
    return approach.offM === undefined || sd === null || sd <= 0 ? [] : [approach.offM / sd]
  })
  const n = scores.length
  if (n < LEAST_BALLS) return null
  const middle = median(scores)
  const seen = MAD_TO_SD * median(scores.map(score => Math.abs(score - middle)))
  if (seen <= 0) return null
  const variance = 1 / (2 * EFFICIENCY * n)
  const [own, usual] = [1 / variance, 1 / PRIOR_LN_SD ** 2]
  const mean = (own * ln(seen) + usual * ln(COURSE_SCATTER)) / (own + usual)
  const half = Z_80 / Math.sqrt(own + usual)
  return { times: exp(mean), least: exp(mean - half), most: exp(mean + half), balls: n }
}
