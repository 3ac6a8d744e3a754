import type { StockShot } from '../core/bag/bag'
import type { Learned } from '../core/history/learned'
import { distanceText, distanceWithUnit, type DistanceUnit } from '../core/units'
import { TAUGHT } from './en/taught'
import { listedUpTo } from './listed-up-to'
import { write } from './message'

/** Of more than these only how many: a line stays one that is read. */
const NAMED = 6

/** A session as it is told to its player. */
export interface TaughtSession {
  balls: number
  /** Stock shots hit. */
  shots: number
  learned: Learned
  /** What to begin with next time; undefined where nothing is to be measured. */
  first: StockShot | undefined
}

/** What a session taught, in lines for the player's phone. */
export function taughtLines(
  { balls, shots, learned, first }: TaughtSession,
  nameOf: (cell: StockShot) => string,
  unit: DistanceUnit,
): string[] {
  const { fresh, moved, loose } = learned
  const number = (cell: StockShot & { carryM: number | null }) =>
    write(TAUGHT.number, { shot: nameOf(cell), number: distanceWithUnit(cell.carryM!, unit) })
  const was = ({ cell, wasM }: Learned['moved'][number]) =>
    write(TAUGHT.was, {
      shot: nameOf(cell),
      number: distanceWithUnit(cell.carryM!, unit),
      was: distanceText(wasM, unit),
    })
  return [
    write(TAUGHT.hit, { balls, shots }),
    ...(fresh.length > 0 ? [write(TAUGHT.fresh, { list: listedUpTo(fresh.map(number), NAMED) })] : []),
    ...(moved.length > 0 ? [write(TAUGHT.moved, { list: listedUpTo(moved.map(was), NAMED) })] : []),
    ...(loose.length > 0 ? [write(TAUGHT.loose, { list: listedUpTo(loose.map(nameOf), NAMED) })] : []),
    ...(fresh.length + moved.length + loose.length === 0 ? [write(TAUGHT.nothingNew)] : []),
    ...(first ? [write(TAUGHT.first, { shot: nameOf(first) })] : []),
  ]
}
