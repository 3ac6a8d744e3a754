import type { PlusWorth } from '../core/calibration/called-plus'
import type { CalledSum } from '../core/session/called'
import type { Called } from '../core/shot/shot'
import { distanceText, distanceWithUnit, limitWithUnit, type DistanceUnit } from '../core/units'
import { Z_80 } from '../core/stats/quantiles'
import { CALLED } from './en/called'
import { write } from './message'

/** A plus as it is said, for an example of what it comes to. */
const PLUS_SAID = 10

/** @example plusText(0.9144, 'yd') // => 'plus 1' */
export function plusText(plusM: number, unit: DistanceUnit): string {
  const by = distanceText(Math.abs(plusM), unit)
  return by === '0' ? '' : write(plusM > 0 ? CALLED.plus : CALLED.minus, { by })
}

/** How far a ball pitched from its called target. @example offText(-2, 'm') // => '2 m short' */
export function offText(offM: number, unit: DistanceUnit): string {
  if (distanceText(Math.abs(offM), unit) === '0') return write(CALLED.on)
  return write(offM < 0 ? CALLED.short : CALLED.past, { off: distanceWithUnit(Math.abs(offM), unit) })
}

/** "Called 77 yd with 56° at 9:00, plus 1: 2 yd short." */
export function calledText({ targetM, plusM }: Called, shot: string, offM: number, unit: DistanceUnit): string {
  const plus = plusText(plusM, unit)
  return write(CALLED.result, {
    target: distanceWithUnit(targetM, unit),
    shot: plus ? `${shot}, ${plus}` : shot,
    way: offText(offM, unit),
  })
}

/** What a plus comes to for this player. @example plusWorthText({ worth: 0.7, sd: 0.1, balls: 8 }, 'yd') */
export function plusWorthText({ worth, sd, balls }: PlusWorth, unit: DistanceUnit): string {
  const figure = (times: number) => String(Math.round(PLUS_SAID * times))
  return write(CALLED.worth, {
    said: String(PLUS_SAID),
    comes: figure(worth),
    doubt: figure(Z_80 * sd),
    unit,
    n: balls,
  })
}

/** What the called balls of a session came to. */
export function calledSumText({ balls, meanOffM, within }: CalledSum, withinM: number, unit: DistanceUnit): string {
  return write(CALLED.sum, {
    n: balls,
    off: distanceWithUnit(meanOffM, unit, 1),
    within: String(within),
    limit: limitWithUnit(withinM, unit),
  })
}
