import type { Level } from '../level'
import type { Memo } from '../memo'
import { leaveOfLevel, type Dimensions } from './level-balls'

/**
 * Five rings about a target. The smallest holds one in five of the level's clean balls, the next two in five, and so
 * on; the last holds 19 in 20. So they grow with the distance and with the level, and a player of the level takes about
 * three points a ball. A law of our own.
 */
export const RING_SHARES = [0.2, 0.4, 0.6, 0.8, 0.95] as const
/** Points of the smallest ring. */
export const MOST_POINTS = RING_SHARES.length
/** Beyond so many times the last ring a ball is wild, and costs its target all points. Our choice. */
export const WILD = 2

/** A circle is fair where so many of the level's clean balls are in: four of ten; common practice. */
export const FAIR_SHARE = 0.4

/** Radii of the rings, smallest first, metres. */
export const ringsOf = (level: Level, targetM: number, dimensions: Dimensions, memo: Memo): number[] =>
  RING_SHARES.map(share => leaveOfLevel(level, targetM, share, dimensions, memo))

/** Points of a leave: 5 in the smallest ring, 0 outside all. @example pointsOf(2, [1, 3, 5, 7, 9]) // => 4 */
export function pointsOf(leaveM: number, rings: readonly number[]): number {
  const ring = rings.findIndex(radiusM => leaveM <= radiusM)
  return ring < 0 ? 0 : rings.length - ring
}

/** True for a ball off the map. @example isWild(20, [1, 3, 5, 7, 9]) // => true */
export const isWild = (leaveM: number, rings: readonly number[]): boolean => leaveM > WILD * rings.at(-1)!
