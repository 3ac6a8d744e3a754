import type { Called } from '../shot/shot'

/** Targets that follow each other lie at least so far apart, where there are any that do. */
const SAME = 1e-6

/**
 * The next target to call: one of those given, never the one before where there is another.
 * @param targets metres, in any order
 * @param last the one before, metres; null at the start
 * @param random from 0 to 1, below 1
 * @returns null without a target
 * @example nextTarget([50, 60], 50, 0.9) // => 60
 */
export function nextTarget(targets: readonly number[], last: number | null, random: number): number | null {
  const others = targets.filter(target => last === null || Math.abs(target - last) > SAME)
  const from = others.length > 0 ? others : targets
  return from[Math.floor(random * from.length)] ?? null
}

/** How a called ball came out, metres: beyond the target is above 0. */
export interface CalledResult {
  offM: number
  /** What was to be hit: the stock shot's number with the plus or minus that was named; null while it has none. */
  meantM: number | null
}

/**
 * A called ball against where it pitched.
 * @param numberM the stock shot's number as it is read; null while it has none
 * @example calledResult({ targetM: 77, plusM: 1 }, 75, 74) // => { offM: -2, meantM: 75 }
 */
export function calledResult({ targetM, plusM }: Called, pitchedM: number, numberM: number | null): CalledResult {
  return { offM: pitchedM - targetM, meantM: numberM === null ? null : numberM + plusM }
}

/** What the called balls of a session came to: how many, how far off in the middle of them, and how many within. */
export interface CalledSum {
  balls: number
  meanOffM: number
  within: number
}

/** @param offs of each called ball, metres; @param withinM what is near enough; null without one */
export function sumCalled(offs: readonly number[], withinM: number): CalledSum | null {
  if (offs.length === 0) return null
  return {
    balls: offs.length,
    meanOffM: offs.reduce((sum, off) => sum + Math.abs(off), 0) / offs.length,
    within: offs.filter(off => Math.abs(off) <= withinM).length,
  }
}
