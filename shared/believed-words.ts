import { distanceText, toUnit, type DistanceUnit } from '../core/units'

/** What a belief costs: a target chosen by it is missed by the difference. Differences of what is read, so that they add up. */
export function beliefCost(believedM: number, measuredM: number, unit: DistanceUnit): string {
  const off = Number(distanceText(measuredM, unit)) - Number(distanceText(believedM, unit))
  if (off === 0) return 'right'
  return off > 0 ? `trusted, it lands ${off} ${unit} over the back` : `trusted, it lands ${-off} ${unit} short`
}

/** A written number that the balls contradict, with the odds; rounded down, so that they are never said too high. */
export function contradictionWords(writtenM: number, measuredM: number, odds: number, offByM: number, unit: DistanceUnit): string {
  const inAHundred = Math.min(99, Math.floor(odds * 100))
  return `${distanceText(writtenM, unit)} is written, the balls say ${distanceText(measuredM, unit)}: ${inAHundred} in 100 that it is more than ${distanceText(offByM, unit)} ${unit} off.`
}

const LEAST_BALLS = 5
const inTen = (count: number, of: number) => Math.round(10 * count / of)

/** Where the balls of a stock shot finish beside the line and along it, in tenths; null while too few sides were measured. */
export function patternWords(balls: readonly { carryM: number, sideM: number }[], stockM: number, unit: DistanceUnit): string | null {
  if (balls.length < LEAST_BALLS) return null
  const sides = balls.map(ball => ball.sideM).sort((a, b) => a - b)
  const middle = sides[sides.length >> 1]!
  const right = inTen(sides.filter(side => side > 0).length, balls.length)
  const short = inTen(balls.filter(ball => toUnit(stockM - ball.carryM, unit) > 2).length, balls.length)
  const most = right >= 5 ? `${right} in 10 finish right` : `${10 - right} in 10 finish left`
  const width = sides[Math.min(sides.length - 1, Math.floor(0.9 * sides.length))]! - sides[Math.floor(0.1 * sides.length)]!
  const bias = Math.round(toUnit(Math.abs(middle), unit)) === 0 ? 'on the line' : `${distanceText(Math.abs(middle), unit)} ${unit} ${middle > 0 ? 'right' : 'left'}`
  return `${most}, ${short} in 10 more than 2 ${unit} short. Middle ${bias}, grouping ${distanceText(width, unit)} ${unit} wide for 8 in 10 (${balls.length} balls).`
}
