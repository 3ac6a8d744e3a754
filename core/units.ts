/**
 * Units: the only place that converts. Everything inside is metres, metres a second and degrees.
 * 1 yd = 0.9144 m and 1 mile = 1609.344 m exactly: international yard and pound agreement, 1959.
 */

export const METRES_PER_YARD = 0.9144
export const METRES_PER_MILE = 1609.344

/** What a coach reads distances in. */
export type DistanceUnit = 'yd' | 'm'

/** @returns metres, exact to the last bit of a double. @example yardsToMetres(100) // => 91.44 */
export function yardsToMetres(yards: number): number {
  return yards * METRES_PER_YARD
}

/** @returns yards. @example metresToYards(91.44) // => 100 */
export function metresToYards(metres: number): number {
  return metres / METRES_PER_YARD
}

/** @returns metres a second. @example mphToMps(60) // => 26.8224 */
export function mphToMps(mph: number): number {
  return mph * METRES_PER_MILE / 3600
}

/** @returns miles an hour. @example mpsToMph(26.8224) // => 60 */
export function mpsToMph(mps: number): number {
  return mps * 3600 / METRES_PER_MILE
}

/** @returns metres a second. @example kmhToMps(36) // => 10 */
export function kmhToMps(kmh: number): number {
  return kmh / 3.6
}

/** A distance in the coach's unit, not rounded. @example toUnit(91.44, 'yd') // => 100 */
export function toUnit(metres: number, unit: DistanceUnit): number {
  return unit === 'yd' ? metresToYards(metres) : metres
}

/** Metres from a distance in the coach's unit. @example fromUnit(100, 'yd') // => 91.44 */
export function fromUnit(value: number, unit: DistanceUnit): number {
  return unit === 'yd' ? yardsToMetres(value) : value
}

/**
 * A distance as it is read aloud: whole by default, half away from zero.
 * The tiny nudge keeps 23.5 yd, stored as 21.4884 m, from coming back as 23.499999999999996 and reading 23.
 * @param decimals 0 or 1: more is never known
 * @example distanceText(21.4884, 'yd') // => '24'
 * @example distanceText(21.4884, 'yd', 1) // => '23.5'
 */
export function distanceText(metres: number, unit: DistanceUnit, decimals: 0 | 1 = 0): string {
  const value = toUnit(metres, unit)
  const scale = decimals === 1 ? 10 : 1
  const rounded = Math.sign(value) * Math.round(Math.abs(value) * scale + 1e-9) / scale
  return (rounded === 0 ? 0 : rounded).toFixed(decimals)
}

/** The same with its unit, for sentences. @example distanceWithUnit(91.44, 'yd') // => '100 yd' */
export function distanceWithUnit(metres: number, unit: DistanceUnit, decimals: 0 | 1 = 0): string {
  return `${distanceText(metres, unit, decimals)} ${unit}`
}
