import type { Verdict } from '../core/gaps/verdict'
import { distanceText, distanceWithUnit, type DistanceUnit } from '../core/units'
import { VERDICT } from './en/verdict'
import { listed, write } from './message'

/** So many flags are named; the list has them all. */
const NAMED = 2

const lowered = (title: string) => title.charAt(0).toLowerCase() + title.slice(1)

/**
 * The verdict on a chart.
 * @param titles of the open flags, those that matter most first
 * @param unproven how many stretches are not proven
 * @example verdictText({ sound, whole: false }, ['Wide step, 104 to 122 yd'], 0, 6.4, 'yd')
 * // => 'Sound from 45 to 100 yd; wide step, 104 to 122 yd.'
 */
export function verdictText(
  { sound, whole }: Verdict,
  titles: readonly string[],
  unproven: number,
  lineM: number,
  unit: DistanceUnit,
): string {
  const line = distanceWithUnit(lineM, unit)
  const left = titles.length - NAMED
  const parts = [
    ...titles.slice(0, NAMED).map(lowered),
    ...(left > 0 ? [write(VERDICT.more, { n: left })] : []),
    ...(unproven > 0 ? [write(VERDICT.unproven, { n: unproven })] : []),
  ]
  if (parts.length === 0 && !whole) parts.push(write(sound ? VERDICT.beyond : VERDICT.beyondAll, { line }))
  const rest = listed(parts)
  if (!sound) return write(VERDICT.none, { rest })
  const ends = { from: distanceText(sound.fromM, unit), toM: distanceWithUnit(sound.toM, unit) }
  return parts.length === 0 ? write(VERDICT.whole, ends) : write(VERDICT.sound, { ...ends, rest })
}
