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

/**
 * How far beyond its called target a ball pitched, metres; short of it is below 0.
 * @example calledOffM({ targetM: 77, plusM: 1 }, 75) // => -2
 */
export const calledOffM = ({ targetM }: Called, pitchedM: number): number => pitchedM - targetM

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
