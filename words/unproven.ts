import type { Unproven } from '../core/gaps/unproven'
import type { StockShot } from '../core/bag/bag'
import { distanceText, doubtWithUnit, type DistanceUnit } from '../core/units'
import { UNPROVEN } from './en/unproven'
import { listed, write } from './message'

/** So many are named; the others are on the chart. */
const NAMED = 4

/**
 * What of the cover is not proven yet, and the balls that would settle it; '' where all of it is.
 * @example unprovenText(all, 'yd', nameOf) // => 'Not proven yet: 98 to 101 (51° full, ± 5 yd: about 3 balls).'
 */
export function unprovenText(
  all: readonly Unproven[],
  unit: DistanceUnit,
  nameOf: (cell: StockShot) => string,
): string {
  if (all.length === 0) return ''
  const named = all.slice(0, NAMED).map(one =>
    write(one.why === 'old' ? UNPROVEN.old : one.balls === null ? UNPROVEN.thinOwn : UNPROVEN.thin, {
      stretch: write(UNPROVEN.stretch, { from: distanceText(one.fromM, unit), to: distanceText(one.toM, unit) }),
      shot: nameOf(one),
      plusMinus: doubtWithUnit(one.plusMinusM, unit),
      balls: one.balls ?? 0,
      days: one.days ?? 0,
    }),
  )
  const left = all.length - named.length
  const stretches = left > 0 ? write(UNPROVEN.andMore, { named: named.join(', '), n: left }) : listed(named)
  return write(UNPROVEN.all, { stretches })
}
