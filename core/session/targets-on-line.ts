import { cos, sin } from '../stats/exact'
import { toRad } from '../flight/ball'

/** A target of the range beside the line that is played to, metres. */
export interface TargetOnLine {
  name: string
  alongM: number
  /** Right of the line is above 0. */
  sideM: number
}

/**
 * Where targets stand, seen along the line to the one that is played to.
 * @param lineDeg of that line, right of the middle of the range
 * @example targetsOnLine([{ name: 'red', distanceM: 100, rightDeg: 30 }], 0)[0]?.sideM // => 50
 */
export function targetsOnLine(
  targets: readonly { name: string; distanceM: number; rightDeg: number }[],
  lineDeg: number,
): TargetOnLine[] {
  return targets.map(({ name, distanceM, rightDeg }) => {
    const away = toRad(rightDeg - lineDeg)
    return { name, alongM: distanceM * cos(away), sideM: distanceM * sin(away) }
  })
}

/**
 * Where a ball pitched, seen along the middle of the range.
 * @param lineDeg of the line it was played to, right of the middle
 * @example placeOnRange({ carryM: 50, sideM: 0 }, 30).sideM // => 25
 */
export function placeOnRange(
  { carryM, sideM }: { carryM: number; sideM: number },
  lineDeg: number,
): { alongM: number; sideM: number } {
  const turn = toRad(lineDeg)
  return { alongM: carryM * cos(turn) - sideM * sin(turn), sideM: carryM * sin(turn) + sideM * cos(turn) }
}
