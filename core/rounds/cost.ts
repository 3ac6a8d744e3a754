import { cellKey, type StockShot } from '../bag/bag'
import { groupBy } from '../group-by'
import type { Level } from '../level'
import type { Memo } from '../memo'
import { spentAt } from '../practice/history'
import { levelCourseRest, restStrokes } from '../practice/level-balls'
import { median } from '../stats/median'
import { Z_80 } from '../stats/quantiles'
import { studentTail } from '../stats/student'
import type { Approach, Played } from './approach'

/**
 * Strokes that an approach cost beyond what the level's ball costs from there on the course; null where nobody told
 * where it ended.
 */
export function strokesLost(
  { distanceM, offM, sideM, penalty = 0 }: Approach,
  level: Level,
  memo: Memo,
): number | null {
  if (offM === undefined) return null
  const dimensions = sideM === undefined ? 'length' : 'both'
  return (
    restStrokes(level, distanceM, offM, sideM ?? 0, memo) +
    penalty -
    levelCourseRest(level, distanceM, dimensions, memo)
  )
}

/** What rounds cost with one stock shot. Strokes, metres. */
export interface ShotCost extends StockShot {
  /** Chances it was hit for, and those of which the end is known. */
  chances: number
  told: number
  /** Strokes a ball beyond the level's, drawn towards none while few balls tell. */
  lost: number
  /** Where it ends on average, past its target. */
  meanOffM: number
  /** Most of it comes from a number that is off, not from scatter. */
  off: boolean
}

/** So many balls of the level stand beside a shot's own: a few unlucky ones are no weakness. Our choice. */
const DRAWN_BALLS = 6
/** This share of the mean square about the target must come from its middle. Our choice. */
const OFF_SHARE = 0.5

/**
 * Chances by the stock shot that was hit, worst first.
 * @returns those with at least one ball whose end is known
 */
export function shotCosts(rounds: readonly Played[], level: Level, memo: Memo): ShotCost[] {
  const hit = rounds
    .flatMap(({ approaches }) => approaches)
    .filter((one): one is Approach & StockShot => one.chance && one.clubId !== undefined && one.rungId !== undefined)
  return [...groupBy(hit, cellKey).values()]
    .flatMap((own): ShotCost[] => {
      const told = own.flatMap(one => {
        const lost = strokesLost(one, level, memo)
        return lost === null ? [] : [{ lost, offM: one.offM! }]
      })
      if (told.length === 0) return []
      const n = told.length
      const sum = told.reduce((all, { lost }) => all + lost, 0)
      const meanOffM = told.reduce((all, { offM }) => all + offM, 0) / n
      const square = told.reduce((all, { offM }) => all + offM ** 2, 0) / n
      const { clubId, rungId } = own[0]!
      return [
        {
          clubId,
          rungId,
          chances: own.length,
          told: n,
          lost: sum / (n + DRAWN_BALLS),
          meanOffM,
          off: square > 0 && meanOffM ** 2 > OFF_SHARE * square,
        },
      ]
    })
    .sort((a, b) => b.lost * b.chances - a.lost * a.chances || (cellKey(a) < cellKey(b) ? -1 : 1))
}

/** One in 20 players whose course is no shorter than the range is ever told so, whenever it is looked at. */
export const FALSE_COURSE = 0.05
/** Balls before anything is said. Our choice. */
const LEAST_BALLS = 12
/** Beyond so many robust deviations off the middle a ball was no ordinary strike. */
const STRANGE = 3
const MAD_TO_SD = 1.4826

/** The course against the range: how far balls end past their targets, where that is no luck. */
export interface CourseShift {
  /** Metres; short is negative. */
  meanM: number
  halfM: number
  balls: number
}

/**
 * "Four yards short on the course": the mean of where ordinary approaches end, looked at after each round by Student's
 * t with a share of the false alarms that shrinks (0.05/(k(k + 1)) at look k).
 * @param rounds in the order they were played
 * @returns null while it may be luck
 */
export function courseShift(rounds: readonly Played[]): CourseShift | null {
  let found: CourseShift | null = null
  const offs: number[] = []
  rounds.forEach(({ approaches }, i) => {
    for (const { chance, offM } of approaches) if (chance && offM !== undefined) offs.push(offM)
    if (offs.length < LEAST_BALLS) return
    const middle = median(offs)
    const spread = MAD_TO_SD * median(offs.map(off => Math.abs(off - middle)))
    const ordinary = offs.filter(off => Math.abs(off - middle) <= STRANGE * spread)
    const n = ordinary.length
    if (n < LEAST_BALLS || spread === 0) return
    const meanM = ordinary.reduce((sum, off) => sum + off, 0) / n
    const squares = ordinary.reduce((sum, off) => sum + (off - meanM) ** 2, 0)
    const se = Math.sqrt(squares / (n - 1) / n)
    const isSure = 2 * studentTail(Math.abs(meanM) / se, n - 1) <= spentAt(i + 2, FALSE_COURSE)
    found = isSure ? { meanM, halfM: Z_80 * se, balls: n } : null
  })
  return found
}
