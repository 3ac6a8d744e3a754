import { yardsToMetres } from '../units'
import type { Method } from './shot'

/** Error of a way of measuring, one standard deviation: common practice, the watch from memory. */
const ERROR_M: Record<Method, (carryM: number) => number> = {
  monitor: () => yardsToMetres(1),
  laser: () => yardsToMetres(1.5),
  paces: carryM => 0.03 * carryM,
  watch: () => yardsToMetres(4),
  guess: carryM => Math.max(yardsToMetres(5), 0.08 * carryM),
}

/**
 * How far off a way of measuring is, one standard deviation, metres.
 * @example measuringErrorM('paces', 60) // => 1.8
 */
export function measuringErrorM(method: Method, carryM: number): number {
  return ERROR_M[method](carryM)
}
