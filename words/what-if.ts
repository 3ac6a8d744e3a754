import type { StockShot } from '../core/bag/bag'
import type { Remedy } from '../core/what-if/remedies'
import type { Change } from '../core/what-if/search'
import { distanceText, distanceWithUnit, doubtText, type DistanceUnit } from '../core/units'
import { FIGURES } from './en/figures'
import { REMEDY_MESSAGES } from './en/remedies'
import { BAG_CHANGES, BEND_CAUTION, EFFECTS } from './en/what-if'
import { byId, sentence, write, type MessageValues } from './message'

export { BEND_CAUTION }

const degrees = (deg: number | null | undefined) => write(FIGURES.degrees, { n: String(deg) })

/** "Bend the 56° to 54°, 2° stronger". */
export function changeText({ kind, clubId, fromDeg, toDeg }: Change, clubOf: (id: string) => string): string {
  if (kind === 'add') return write(BAG_CHANGES.add, { toDeg: degrees(toDeg) })
  if (kind === 'take-out') return write(BAG_CHANGES.takeOut, { club: clubOf(clubId) })
  return write(BAG_CHANGES.bend, {
    club: clubOf(clubId),
    toDeg: degrees(toDeg),
    by: degrees(Math.abs(toDeg! - fromDeg!)),
    way: toDeg! < fromDeg! ? 'stronger' : 'weaker',
  })
}

export interface RemedyNames {
  cell: (cell: StockShot) => string
  club: (cell: StockShot) => string
  rung: (rungId: string) => string
}

const MESSAGES = byId<string>(REMEDY_MESSAGES)

/** What to do, in a sentence. */
export function remedyText(
  { kind, cells, data, fromDeg, toDeg, rungId }: Remedy,
  names: RemedyNames,
  unit: DistanceUnit,
): string {
  const cell = cells[0]
  // A number that becomes surer: both are doubts, and a few balls may change less than a whole.
  const asRead = (lengthM: number) =>
    data.thenM === undefined ? distanceText(lengthM, unit) : doubtText(lengthM, unit, 1)
  const lengths = Object.entries(data).flatMap(([key, value]) =>
    key.endsWith('M')
      ? [
          [key, `${asRead(value)} ${unit}`],
          [key.slice(0, -1), asRead(value)],
        ]
      : [[key, String(value)]],
  )
  const values: MessageValues = {
    ...(Object.fromEntries(lengths) as Record<string, string>),
    ...(cell && { cell: names.cell(cell), club: names.club(cell) }),
    ...(rungId !== undefined && { rung: names.rung(rungId) }),
    fromDeg: degrees(fromDeg),
    toDeg: degrees(toDeg),
  }
  return write(MESSAGES.get(kind)!, values)
}

/** What cover and flags would become. */
export function effectText(remedy: Remedy, unit: DistanceUnit): string {
  const { beforeM, afterM, withinBefore, withinAfter, openBefore, openAfter, settlesFlag, kind } = remedy
  if (kind === 'grip-down') return write(EFFECTS.gripDown)
  const count = (message: string, before: number, after: number) =>
    write(message, { before: String(before), after: String(after) })
  const all = [
    write(EFFECTS.leaves, { before: distanceText(beforeM, unit, 1), after: distanceWithUnit(afterM, unit, 1) }),
    count(EFFECTS.covered, withinBefore, withinAfter),
    ...(kind === 'calibrate' ? [] : [count(EFFECTS.openFlags, openBefore, openAfter)]),
  ].join(', ')
  return settlesFlag ? write(EFFECTS.settles, { all }) : `${sentence(all)}.`
}
