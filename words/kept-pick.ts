import { distanceWithUnit, type DistanceUnit } from '../core/units'
import { ENDED, KEPT_PICK } from './en/kept-pick'
import { write } from './message'

type End = keyof typeof ENDED
export const endedTexts: Record<End, string> = ENDED

/** A shot of a round with where it ended: "77 yd with 56° at 9:00, plus 1: 3 yd short". */
export function keptText(
  kept: { targetM: number; shot: string; how: string; ended: End; offM: number | null },
  unit: DistanceUnit,
): string {
  const { targetM, shot, how, offM } = kept
  const word = ENDED[kept.ended].toLowerCase()
  const ended = offM === null ? word : write(KEPT_PICK.by, { off: distanceWithUnit(offM, unit), ended: word })
  return write(KEPT_PICK.line, { target: distanceWithUnit(targetM, unit), shot, how, ended })
}
