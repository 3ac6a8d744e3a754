import type { Green } from './around'
import { GREEN_RADIUS_M } from './strokes'

/** What a distance is told to. */
export const TOLD_TO = ['flag', 'front', 'middle', 'back'] as const
export type ToldTo = (typeof TOLD_TO)[number]

/**
 * How much further the flag is than what was told, metres.
 * @param green its edges from the flag; null takes a usual one with the flag in its middle
 * @example flagBeyondM('front', { shortM: 9, longM: 15, leftM: 10, rightM: 10 }) // => 9
 */
export function flagBeyondM(to: ToldTo, green: Pick<Green, 'shortM' | 'longM'> | null): number {
  const { shortM, longM } = green ?? { shortM: GREEN_RADIUS_M, longM: GREEN_RADIUS_M }
  if (to === 'front') return shortM
  if (to === 'back') return -longM
  return to === 'middle' ? (shortM - longM) / 2 : 0
}
