import { distanceText, distanceWithUnit, toUnit, type DistanceUnit } from '../core/units'
import { BELIEVED, PATTERN } from './en/believed'
import { write } from './message'

/**
 * How far a ball that is trusted to a belief lands over its target, as it is read; less than nothing is short of it.
 * @example missAsRead(54.86, 57.6, 'yd') // => 3
 */
export const missAsRead = (believedM: number, measuredM: number, unit: DistanceUnit): number =>
  Number(distanceText(measuredM, unit)) - Number(distanceText(believedM, unit))

/**
 * What a belief costs: a target chosen by it is missed by the difference. Differences of what is read, so that they
 * add up.
 */
export function beliefCostText(believedM: number, measuredM: number, unit: DistanceUnit): string {
  const off = missAsRead(believedM, measuredM, unit)
  if (off === 0) return write(BELIEVED.right)
  return write(off > 0 ? BELIEVED.over : BELIEVED.short, { off: `${Math.abs(off)} ${unit}` })
}

/** A written number that the balls contradict, with the odds; rounded down, so that they are never said too high. */
export function contradictionText(
  writtenM: number,
  measuredM: number,
  odds: number,
  offByM: number,
  unit: DistanceUnit,
): string {
  return write(BELIEVED.contradicted, {
    written: distanceText(writtenM, unit),
    measured: distanceText(measuredM, unit),
    odds: String(Math.min(99, Math.floor(odds * 100))),
    off: distanceWithUnit(offByM, unit),
  })
}

const LEAST_BALLS = 5
/** More than so far short of the number is short, in the unit that is read. */
const SHORT = 2

function middleText(middleM: number, unit: DistanceUnit): string {
  if (Math.round(toUnit(Math.abs(middleM), unit)) === 0) return write(PATTERN.onLine)
  return write(middleM > 0 ? PATTERN.rightBy : PATTERN.leftBy, { off: distanceWithUnit(Math.abs(middleM), unit) })
}

interface Landed {
  carryM: number
  sideM: number
}

/**
 * Where the balls of a stock shot finish beside the line and along it, as counted; null while too few sides were
 * measured.
 */
export function patternText(balls: readonly Landed[], stockM: number, unit: DistanceUnit): string | null {
  if (balls.length < LEAST_BALLS) return null
  const sides = balls.map(ball => ball.sideM).sort((a, b) => a - b)
  const right = sides.filter(side => side > 0).length
  const left = sides.filter(side => side < 0).length
  // From the number as it is read, and to a tenth, as balls are.
  const number = Number(distanceText(stockM, unit))
  const short = balls.filter(ball => Math.round(10 * (number - toUnit(ball.carryM, unit))) > 10 * SHORT).length
  const at = (share: number) => sides[Math.min(sides.length - 1, Math.floor(share * sides.length))]!
  return write(PATTERN.whole, {
    most:
      right >= left
        ? write(PATTERN.right, { n: String(right), balls: String(balls.length) })
        : write(PATTERN.left, { n: String(left), balls: String(balls.length) }),
    short: String(short),
    unit,
    middle: middleText(sides[sides.length >> 1]!, unit),
    width: distanceWithUnit(at(0.9) - at(0.1), unit),
  })
}
