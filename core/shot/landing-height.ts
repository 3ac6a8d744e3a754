/**
 * How high a ball pitches on ground that rises evenly to a target and is level beyond it: its share of the target's
 * height. To the centimetre.
 * @example landingHeightM({ distanceM: 100, heightM: 4 }, 75) // => 3
 */
export function landingHeightM(target: { distanceM: number; heightM: number }, carryM: number): number {
  return Math.round(100 * target.heightM * Math.min(1, carryM / target.distanceM)) / 100
}

/**
 * How far above or below the tee a ball can come down, as shares of its carry. Above: half, the highest point of a
 * launch of 45° (in a vacuum its descent begins at half of the way, half as high); wedges leave flatter. Below: three
 * times, steeper than any ball falls off a tee. Our choice, wide on purpose.
 */
const HEIGHT_SHARES = { above: 0.5, below: 3 } as const

/**
 * True when a ball may come down there at all.
 * @example isPossibleHeight(30, 10) // => true
 * @example isPossibleHeight(12, 10) // => false
 */
export function isPossibleHeight(carryM: number, heightM: number): boolean {
  return heightM === 0 || (heightM <= HEIGHT_SHARES.above * carryM && heightM >= -HEIGHT_SHARES.below * carryM)
}
