/**
 * Units: the only place that converts. Everything inside is metres, metres a second and degrees.
 * 1 yd = 0.9144 m and 1 mile = 1609.344 m exactly: international yard and pound agreement, 1959.
 */

export const METRES_PER_YARD = 0.9144
export const METRES_PER_MILE = 1609.344

/** What a coach reads distances in. */
export const DISTANCE_UNITS = ['yd', 'm'] as const
export type DistanceUnit = (typeof DISTANCE_UNITS)[number]

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
  return (mph * METRES_PER_MILE) / 3600
}

/** @returns miles an hour. @example mpsToMph(26.8224) // => 60 */
export function mpsToMph(mps: number): number {
  return (mps * 3600) / METRES_PER_MILE
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
  const rounded = (Math.sign(value) * Math.round(Math.abs(value) * scale + 1e-9)) / scale
  return (rounded === 0 ? 0 : rounded).toFixed(decimals)
}

/** The same with its unit, for sentences. @example distanceWithUnit(91.44, 'yd') // => '100 yd' */
export function distanceWithUnit(metres: number, unit: DistanceUnit, decimals: 0 | 1 = 0): string {
  return `${distanceText(metres, unit, decimals)} ${unit}`
}

/** A yard is stored as 0.9144 m, and comes back from it with a hair more or less. */
const HAIR = 1e-6

/**
 * A doubt as it is read: rounded up, so that nothing reads surer than it is, and what reads "± 3" is known to 3. That
 * an uncertainty may be rounded up rather than to the nearest figure: JCGM 100:2008 (GUM), 7.2.6, from memory.
 * @param decimals 0 or 1: more is never known
 * @example doubtText(2.1, 'yd') // => '3'
 * @example doubtText(2.7432, 'yd') // => '3'
 */
export function doubtText(metres: number, unit: DistanceUnit, decimals: 0 | 1 = 0): string {
  const scale = decimals === 1 ? 10 : 1
  return (Math.ceil(toUnit(metres, unit) * scale - HAIR) / scale + 0).toFixed(decimals)
}

/** The same with its unit, for sentences. @example doubtWithUnit(2.1, 'yd') // => '3 yd' */
export function doubtWithUnit(metres: number, unit: DistanceUnit, decimals: 0 | 1 = 0): string {
  return `${doubtText(metres, unit, decimals)} ${unit}`
}

/**
 * How surely something is wanted to be known, with its unit. One that is whole in the other unit reads like a doubt;
 * one that is whole in neither with its decimal.
 * @example limitWithUnit(2.7432, 'm') // => '3 m'
 * @example limitWithUnit(2.286, 'yd') // => '2.5 yd'
 */
export function limitWithUnit(metres: number, unit: DistanceUnit): string {
  const isWhole = (value: number) => Math.abs(value - Math.round(value)) < HAIR
  return DISTANCE_UNITS.some(one => isWhole(toUnit(metres, one)))
    ? doubtWithUnit(metres, unit)
    : distanceWithUnit(metres, unit, 1)
}

/**
 * True when a doubt is no more than what is wanted: then it reads no more either.
 * @example isWithin(2.7432000001, 2.7432) // => true
 */
export const isWithin = (doubtM: number, wantedM: number): boolean => doubtM <= wantedM + HAIR

/** What air is read and typed in, at the edge; inside all is °C, m/s and metres. */
export const TEMP_UNITS = ['°C', '°F'] as const
export type TempUnit = (typeof TEMP_UNITS)[number]
export const toTemp = (celsius: number, unit: TempUnit) => (unit === '°C' ? celsius : (celsius * 9) / 5 + 32)
export const fromTemp = (value: number, unit: TempUnit) => (unit === '°C' ? value : ((value - 32) * 5) / 9)

/** Metres a second in one of each: exact by definition (mile 1609.344 m, knot 1852 m an hour). */
export const WIND_UNITS = { 'm/s': 1, 'mph': 0.44704, 'km/h': 1 / 3.6, 'kn': 1852 / 3600 } as const
export type WindUnit = keyof typeof WIND_UNITS
/** Speeds of clubs and balls are read in these; knots are the wind's. */
export const SPEED_UNITS = ['mph', 'km/h', 'm/s'] as const
export type SpeedUnit = (typeof SPEED_UNITS)[number]
export const toWind = (ms: number, unit: WindUnit) => ms / WIND_UNITS[unit]
export const fromWind = (value: number, unit: WindUnit) => value * WIND_UNITS[unit]

/** Metres in one of each height unit: exact. */
export const HEIGHT_UNITS = { m: 1, ft: 0.3048 } as const
export type HeightUnit = keyof typeof HEIGHT_UNITS
export const toHeight = (metres: number, unit: HeightUnit) => metres / HEIGHT_UNITS[unit]
export const fromHeight = (value: number, unit: HeightUnit) => value * HEIGHT_UNITS[unit]
