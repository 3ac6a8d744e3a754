import { asin, cos, sin } from '../stats/exact'
import { yardsToMetres } from '../units'
import type { Method, Shot } from './shot'

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

/** The same of one shot: its own error where that is known, as of a watch's fix or two ways put together. */
export function shotErrorM({ method, carryM, errorM }: Pick<Shot, 'method' | 'carryM' | 'errorM'>): number {
  return errorM ?? measuringErrorM(method, carryM)
}

/**
 * One distance measured in two ways, put together by their errors: the surer one weighs more.
 * @param ways method and distance of each, metres; one or more
 * @example combineWays([{ method: 'laser', distanceM: 21 }, { method: 'paces', distanceM: 22 }])
 * // => { distanceM: 21.81, errorM: 0.595 }
 */
export function combineWays(ways: readonly { method: Method; distanceM: number }[]): {
  distanceM: number
  errorM: number
} {
  const weights = ways.map(({ method, distanceM }) => 1 / measuringErrorM(method, distanceM) ** 2)
  const sum = weights.reduce((total, weight) => total + weight, 0)
  return {
    distanceM: ways.reduce((total, { distanceM }, i) => total + weights[i]! * distanceM, 0) / sum,
    errorM: 1 / Math.sqrt(sum),
  }
}

/** A browser states the radius that holds the place 19 times in 20. (Geolocation API, W3C.) */
const RADIUS_SDS = 1.96

/**
 * Error of the distance between two fixes, one standard deviation, metres; as if they were independent, which is
 * cautious.
 */
export function fixErrorM(startAccuracyM: number, endAccuracyM: number): number {
  return Math.hypot(startAccuracyM, endAccuracyM) / RADIUS_SDS
}

/** A fix worse than this share of the distance tells nothing that a look would not. Our choice. */
export const WORST_FIX_SHARE = 0.12

const EARTH_M = 6_371_008.8

/**
 * Distance between two places, degrees, over a sphere of the earth's mean radius (haversine; mean radius of IUGG).
 * Within 0.5 % of the ellipsoid anywhere.
 * @example placesApartM({ lat: 51, lon: 0 }, { lat: 51.001, lon: 0 }) // => 111.2
 */
export function placesApartM(a: { lat: number; lon: number }, b: { lat: number; lon: number }): number {
  const rad = Math.PI / 180
  const h =
    sin(((b.lat - a.lat) * rad) / 2) ** 2 + cos(a.lat * rad) * cos(b.lat * rad) * sin(((b.lon - a.lon) * rad) / 2) ** 2
  return 2 * EARTH_M * asin(Math.min(1, Math.sqrt(h)))
}

/** Ways that reach to where a ball lies: legs, a laser on it, a watch beside it. All others read where it pitched. */
const TO_REST: readonly Method[] = ['laser', 'paces', 'watch']

/** True for a way of measuring that reads to where a ball lies. @example measuresToRest('paces') // => true */
export function measuresToRest(method: Method): boolean {
  return TO_REST.includes(method)
}
