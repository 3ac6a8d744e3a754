import type { StockShot } from '../core/bag/bag'
import type { Change } from '../core/what-if/search'
import type { Remedy } from '../core/what-if/remedies'
import { distanceText, distanceWithUnit, type DistanceUnit } from '../core/units'

/** What a degree of bending takes with it. */
export const BEND_CAUTION = 'A club maker bends it, by 1 to 3° at most; the bounce changes by as much, and some heads must not be bent at all.'

/** "Bend the 56° to 54°, 2° stronger". */
export function changeWords({ kind, clubId, fromDeg, toDeg }: Change, clubOf: (id: string) => string): string {
  if (kind === 'add') return `Add a club of ${toDeg}°`
  if (kind === 'take-out') return `Leave the ${clubOf(clubId)} at home`
  const by = Math.abs(toDeg! - fromDeg!)
  return `Bend the ${clubOf(clubId)} to ${toDeg}°, ${by}° ${toDeg! < fromDeg! ? 'stronger' : 'weaker'}`
}

export interface RemedyNames {
  cell: (cell: StockShot) => string
  club: (cell: StockShot) => string
  rung: (rungId: string) => string
}

/** What to do, in a sentence. */
export function remedyWords({ kind, cells, data, fromDeg, toDeg, rungId }: Remedy, names: RemedyNames, unit: DistanceUnit): string {
  const cell = cells[0]
  if (kind === 'grip-down') return `Grip down an inch on ${names.cell(cell!)}: it carries ${distanceWithUnit(data.carryM!, unit)}, and leaves up to ${distanceWithUnit(data.leaveM!, unit)} on average.`
  if (kind === 'calibrate') return `Hit ${data.balls} balls with ${names.cell(cell!)}: its number is then known to ± ${distanceText(data.thenM!, unit, 1)} instead of ± ${distanceWithUnit(data.plusMinusM!, unit, 1)}.`
  if (kind === 'strike-out') return `Strike ${names.cell(cell!)} out.`
  if (kind === 'use-again') return `Use ${names.cell(cell!)} again, which is struck out.`
  if (kind === 'swing') return `Add a swing length ${names.rung(rungId!)}, and measure it.`
  if (kind === 'take-out') return `Leave the ${names.club(cell!)} at home.`
  if (kind === 'add') return `Add a club of ${toDeg}°.`
  return `Bend the ${names.club(cell!)} from ${fromDeg}° to ${toDeg}°. ${BEND_CAUTION}`
}

/** What cover and flags would become. */
export function effectWords({ beforeM, afterM, withinBefore, withinAfter, openBefore, openAfter, gone, kind }: Remedy, unit: DistanceUnit): string {
  if (kind === 'grip-down') return 'Counted in the cover already: it is what to do until more is done.'
  const parts = [`there the best shot leaves ${distanceText(beforeM, unit, 1)} → ${distanceWithUnit(afterM, unit, 1)} on average`, `covered ${withinBefore} → ${withinAfter}`]
  if (kind !== 'calibrate') parts.push(`open flags ${openBefore} → ${openAfter}`)
  const all = parts.join(', ')
  return `${gone ? `It settles this flag: ${all}` : `${all[0]!.toUpperCase()}${all.slice(1)}`}.`
}
