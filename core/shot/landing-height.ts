/**
 * How high a ball pitches on ground that rises evenly to a target and is level beyond it: its share of the target's height. To
 * the centimetre.
 * @example landingHeightM({ distanceM: 100, heightM: 4 }, 75) // => 3
 */
export function landingHeightM(target: { distanceM: number, heightM: number }, carryM: number): number {
  return Math.round(100 * target.heightM * Math.min(1, carryM / target.distanceM)) / 100
}
