import { FARTHEST_REST_M, GREEN_RADIUS_M, STEPS_A_METRE, strokesFrom, type Costs } from './strokes'

export const TROUBLE_SIDES = ['short', 'long', 'left', 'right'] as const
export type TroubleSide = (typeof TROUBLE_SIDES)[number]

/** Trouble on one side of the flag. Metres from the flag. */
export interface Trouble {
  side: TroubleSide
  /** Where it begins, and where it ends; missing goes on for ever. */
  fromM: number
  toM?: number
  /** What it costs beside the stroke played from there: half a shot, a shot. */
  strokes: number
  /** Out of bounds: the stroke is played again from where it was hit. */
  andDistance?: true
}

/** The green as it lies about the flag, metres from it. */
export interface Green {
  shortM: number
  longM: number
  leftM: number
  rightM: number
}

/** What surrounds the flag. */
export interface Around {
  green?: Green
  trouble: readonly Trouble[]
}

/** Such a pin is not passed: a ball beyond it costs half a shot. Our choice. */
export const NOT_PAST: Trouble = { side: 'long', fromM: 1, strokes: 0.5 }

const USUAL_GREEN: Green = {
  shortM: GREEN_RADIUS_M,
  longM: GREEN_RADIUS_M,
  leftM: GREEN_RADIUS_M,
  rightM: GREEN_RADIUS_M,
}

/** How far a place lies towards a side, metres; against it is negative. */
function towards(side: TroubleSide, pastM: number, rightM: number): number {
  if (side === 'short') return -pastM
  if (side === 'long') return pastM
  return side === 'left' ? -rightM : rightM
}

/** True for a place that lies in it. */
export function isIn({ side, fromM, toM = Infinity }: Trouble, pastM: number, rightM: number): boolean {
  const off = towards(side, pastM, rightM)
  return off > fromM && off < toM
}

/**
 * Strokes to hole out from where a ball stops, by tables at quarters of a metre. Built once for a target, asked for
 * thousands of strikes.
 * @param targetM what a ball out of bounds is played from again
 */
export function costAround({ green = USUAL_GREEN, trouble }: Around, targetM: number, costs: Costs) {
  const { putting, beside } = costs
  const at = (values: Float64Array, m: number): number => {
    const x = Math.min(FARTHEST_REST_M, m) * STEPS_A_METRE
    const low = x | 0
    return values[low]! + (x - low) * (values[low + 1]! - values[low]!)
  }
  const again = 1 + strokesFrom(targetM, costs)
  /** What is left to play from there, strokes; penalties counted. */
  return (pastM: number, rightM: number): number => {
    const distance = Math.sqrt(pastM * pastM + rightM * rightM)
    const a = pastM / (pastM < 0 ? green.shortM : green.longM)
    const b = rightM / (rightM < 0 ? green.leftM : green.rightM)
    const off = at(beside, distance)
    let cost = a * a + b * b <= 1 ? at(putting, distance) : off
    for (const one of trouble) {
      if (!isIn(one, pastM, rightM)) continue
      cost = Math.max(cost, one.andDistance ? Math.max(again, off + one.strokes) : off + one.strokes)
    }
    return cost
  }
}
export type CostAround = ReturnType<typeof costAround>
