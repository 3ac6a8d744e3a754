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
  const flags = [...named(titles.slice(0, NAMED)), ...(left > 0 ? [write(VERDICT.more, { n: left })] : [])]
  const verdict = sound
    ? soundText(sound, whole, flags, unproven, { line, unit })
    : noneText(mostBeyond, flags, unproven, line)
  // Behind flags it is a sentence of its own: it is no fault beside theirs.
  const apart = unproven > 0 && (flags.length > 0 || (!sound && mostBeyond))
  return apart ? write(VERDICT.andUnproven, { verdict, n: unproven }) : verdict
}

function soundText(
  sound: NonNullable<Verdict['sound']>,
  whole: boolean,
  flags: readonly string[],
  unproven: number,
  { line, unit }: { line: string; unit: DistanceUnit },
): string {
  const ends = { from: distanceText(sound.fromM, unit), toM: distanceWithUnit(sound.toM, unit) }
  const rest =
    flags.length > 0
      ? listed(flags)
      : unproven > 0
        ? write(VERDICT.unproven, { n: unproven })
        : write(VERDICT.beyond, { line })
  return flags.length === 0 && unproven === 0 && whole
    ? write(VERDICT.whole, ends)
    : write(VERDICT.sound, { ...ends, rest })
}

/** Where no stretch is sound: why, as far as it is known. */
function noneText(mostBeyond: boolean, flags: readonly string[], unproven: number, line: string): string {
  const rest = listed(flags)
  if (mostBeyond) return rest ? write(VERDICT.mostBeyondAnd, { line, rest }) : write(VERDICT.mostBeyond, { line })
  if (rest) return write(unproven > 0 ? VERDICT.noneYet : VERDICT.none, { rest })
  return unproven > 0 ? write(VERDICT.noneProven, { n: unproven }) : write(VERDICT.short)
}
