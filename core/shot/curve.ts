import { NEUTRAL } from '../flight/air'
import { fly } from '../flight/fly'
import { toDeg } from '../flight/ball'
import { atan2 } from '../stats/exact'
import { curveWay, type NaturalShape } from './hand'
import { launchOf, type Readings } from './readings'

/** Less than this is straight, and from there on it is far: 4 and 12 yd at 150. Our choice. */
const STRAIGHT_DEG = 1.5
const FAR_DEG = 4.5

/** Five classes: −2 far left to 2 far right. @example curveClassOf(-2) // => -1 */
export function curveClassOf(deg: number): number {
  const size = Math.abs(deg)
  if (size < STRAIGHT_DEG) return 0
  return Math.sign(deg) * (size < FAR_DEG ? 1 : 2)
}

/**
 * How far a ball turned from where it started, seen from the tee, degrees; right is positive. By the start line and
 * where it pitched, or where those were not read by its own flight in neutral air.
 * @returns null where neither tells it
 * @example curveDegOf({ directionDeg: 2, sideM: 0 }, 100) // => -2
 */
export function curveDegOf(readings: Readings, carryM: number): number | null {
  const { directionDeg, sideM, spinAxisDeg } = readings
  if (directionDeg !== undefined && sideM !== undefined) return toDeg(atan2(sideM, carryM)) - directionDeg
  const launch = launchOf(readings)
  if (!launch || spinAxisDeg === undefined) return null
  const flight = fly({ ...launch, azimuthDeg: 0 }, NEUTRAL)
  return flight.ok ? toDeg(atan2(flight.sideM, flight.carryM)) : null
}

/**
 * The natural shape: ordinary balls whose curve was read, counted.
 * @returns null where none was
 */
export function naturalShape(balls: readonly { carryM: number; readings?: Readings }[]): NaturalShape | null {
  const shape: NaturalShape = { left: 0, straight: 0, right: 0 }
  let read = 0
  for (const { carryM, readings } of balls) {
    const deg = readings ? curveDegOf(readings, carryM) : null
    if (deg === null) continue
    shape[curveWay(curveClassOf(deg))]++
    read++
  }
  return read === 0 ? null : shape
}
