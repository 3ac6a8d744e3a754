import { cellKey, type StockShot } from '../bag/bag'
import { groupBy } from '../group-by'
import type { Level } from '../level'
import type { Memo } from '../memo'
import { levelCourseRest, restStrokes } from '../practice/level-balls'
import { median } from '../stats/median'
import type { Approach, Played } from './approach'
import { sureMean } from './sure-mean'

/** Strokes to hole out from where an approach ended, with its penalties; null where nobody told where. */
export function restOf({ distanceM, offM, sideM, penalty = 0 }: Approach, level: Level, memo: Memo): number | null {
  return offM === undefined ? null : restStrokes(level, distanceM, offM, sideM ?? 0, memo) + penalty
}

/**
 * Strokes that an approach cost beyond what the level's ball costs from there on the course; null where nobody told
 * where it ended.
 */
export function strokesLost(approach: Approach, level: Level, memo: Memo): number | null {
  const rest = restOf(approach, level, memo)
  const dimensions = approach.sideM === undefined ? 'length' : 'both'
  return rest === null ? null : rest - levelCourseRest(level, approach.distanceM, dimensions, memo)
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

/** Those that were no mishits, by their own middle; none where they do not differ. */
function ordinary(offs: readonly number[]): readonly number[] {
  const middle = median(offs)
  const spread = MAD_TO_SD * median(offs.map(off => Math.abs(off - middle)))
  return spread === 0 ? [] : offs.filter(off => Math.abs(off - middle) <= STRANGE * spread)
}

/**
 * "Four yards short on the course": the mean of where ordinary approaches end, looked at after each round.
 * @param rounds in the order they were played
 * @returns null while it may be luck
 */
export function courseShift(rounds: readonly Played[]): CourseShift | null {
  const offs = rounds.map(({ approaches }) =>
    approaches.flatMap(({ chance, offM }) => (chance && offM !== undefined ? [offM] : [])),
  )
  const found = sureMean(offs, ordinary)
  return found?.isSure ? { meanM: found.mean, halfM: found.half, balls: found.balls } : null
}
