import type { Verdict } from '../core/gaps/verdict'
import { distanceText, distanceWithUnit, type DistanceUnit } from '../core/units'
import { VERDICT } from './en/verdict'
import { listed, write } from './message'

/** So many flags are named; the list has them all. */
const NAMED = 2

const lowered = (title: string) => title.charAt(0).toLowerCase() + title.slice(1)

/** Titles of one kind become one: "Hole, 62 yd" and "Hole, 81 yd" are "hole, 62 yd and 81 yd". */
function named(titles: readonly string[]): string[] {
  const places = new Map<string, string[]>()
  for (const title of titles) {
    const [kind, ...place] = lowered(title).split(', ')
    places.set(kind!, [...(places.get(kind!) ?? []), ...(place.length > 0 ? [place.join(', ')] : [])])
  }
  return [...places].map(([kind, where]) =>
    where.length === 0 ? kind : write(VERDICT.alike, { kind, places: listed(where) }),
  )
}

/**
 * The verdict on a chart.
 * @param titles of the open flags, those that matter most first
 * @param unproven how many stretches are not proven
 * @example verdictText({ sound, whole: false, mostBeyond: false }, ['Wide step, 104 to 122 yd'], 0, 6.4, 'yd')
 * // => 'Sound from 45 to 100 yd; wide step, 104 to 122 yd.'
 */
export function verdictText(
  { sound, whole, mostBeyond }: Verdict,
  titles: readonly string[],
  unproven: number,
  lineM: number,
  unit: DistanceUnit,
): string {
  const line = distanceWithUnit(lineM, unit)
  const left = titles.length - NAMED
  const parts = [...named(titles.slice(0, NAMED)), ...(left > 0 ? [write(VERDICT.more, { n: left })] : [])]
  // Behind flags it is a sentence of its own: it is no fault beside theirs.
  const apart = parts.length > 0 && unproven > 0
  if (parts.length === 0 && unproven > 0) parts.push(write(VERDICT.unproven, { n: unproven }))
  if (parts.length === 0 && !whole) parts.push(write(sound ? VERDICT.beyond : VERDICT.beyondMost, { line }))
  const rest = listed(parts)
  const ends = sound && { from: distanceText(sound.fromM, unit), toM: distanceWithUnit(sound.toM, unit) }
  const without = unproven > 0 ? VERDICT.noneYet : mostBeyond && titles.length > 0 ? VERDICT.mostBeyond : VERDICT.none
  const verdict = !ends
    ? write(without, { rest, line })
    : parts.length === 0
      ? write(VERDICT.whole, ends)
      : write(VERDICT.sound, { ...ends, rest })
  return apart ? write(VERDICT.andUnproven, { verdict, n: unproven }) : verdict
}
