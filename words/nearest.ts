import type { DistanceUnit } from '../core/units'
import { NEAREST } from './en/nearest'
import { stepBetween } from './flags'
import { write } from './message'

/**
 * A stock shot and what it has to be hit beyond its number, or less: the difference of both as they are read.
 * @example nearestText('56° at 9:00', 68.6, 69.5, 'yd') // => '56° at 9:00, plus 1'
 */
export function nearestText(shot: string, carryM: number, wantedM: number, unit: DistanceUnit): string {
  const n = stepBetween(carryM, wantedM, unit)
  if (n === 0) return write(NEAREST.exact, { shot })
  return write(n > 0 ? NEAREST.plus : NEAREST.minus, { shot, n: String(Math.abs(n)) })
}
