import betainc from './vendor/betainc.js'

/**
 * The chance that Student's t lies beyond a value, one side, by the incomplete beta function.
 * @param t 0 or more
 * @param degrees above 0
 * @example studentTail(2.228, 10) // => 0.0250
 */
export const studentTail = (t: number, degrees: number): number =>
  betainc(degrees / (degrees + t * t), degrees / 2, 0.5) / 2
