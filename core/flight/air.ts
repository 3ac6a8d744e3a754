import { atan2, cos, exp, ln, pow, sin } from '../stats/exact'

/** Air as the ball meets it. SI; temperatures in °C; humidity 0 to 1. Sources: docs/flight.md. */

/** Gravity, m/s²: standard. [pub] */
export const GRAVITY_MS2 = 9.80665
const ZERO_CELSIUS_K = 273.15
const SEA_LEVEL_PA = 101_325
/** Gas constants of dry air and of water vapour, J/(kg K). [pub] */
const R_DRY = 287.05287
const R_VAPOUR = 461.495

/** What is taken for possible: the form, the server and the file reader refuse the rest by name. */
export const AIR_RANGE = {
  tempC: [-20, 50],
  altitudeM: [-400, 4000],
  humidity: [0, 1],
  windMs: [0, 30],
  qnhPa: [85_000, 108_500],
} as const

export interface Air {
  densityKgM3: number
  viscosityPas: number
}

/**
 * Pressure at a height, Pa: ISO 2533 / ICAO standard atmosphere.
 * @param qnhPa pressure reduced to sea level, as a weather report gives it
 * @example stationPressurePa(1000) // => 89874.56
 */
export function stationPressurePa(altitudeM: number, qnhPa: number = SEA_LEVEL_PA): number {
  return qnhPa * pow(1 - 2.25577e-5 * altitudeM, 5.25588)
}

/**
 * Pressure of saturated water vapour over water, Pa: Buck (1981, revised 1996). Within 0.05 % of tables, 0 to 40 °C.
 * @example saturationPressurePa(20) // => 2338.34
 */
export function saturationPressurePa(tempC: number): number {
  return 611.21 * exp(((18.678 - tempC / 234.5) * tempC) / (257.14 + tempC))
}

/**
 * Density (ideal mixture of dry air and vapour) and viscosity (Sutherland, US Standard Atmosphere 1976).
 * Density is within 0.07 % of CIPM-2007 from −5 to 40 °C and 750 to 1040 hPa.
 * @param pressurePa at the place itself, not reduced to sea level
 * @example airOf(20, 101_325, 0.5).densityKgM3 // => 1.198854
 */
export function airOf(tempC: number, pressurePa: number, humidity: number): Air {
  const kelvin = tempC + ZERO_CELSIUS_K
  const vapourPa = humidity * saturationPressurePa(tempC)
  return {
    densityKgM3: (pressurePa - vapourPa) / (R_DRY * kelvin) + vapourPa / (R_VAPOUR * kelvin),
    viscosityPas: (1.458e-6 * pow(kelvin, 1.5)) / (kelvin + 110.4),
  }
}

/** Calm, 20 °C, sea level, half humid: the air that stock carries are kept in. */
export const NEUTRAL_AIR: Air = airOf(20, SEA_LEVEL_PA, 0.5)

/**
 * Roughness of the ground, metres: open grass; some trees; trees all round. World Meteorological Organization's
 * classes. [pub]
 */
export const ROUGHNESS_M = { open: 0.03, some: 0.1, enclosed: 0.3 } as const

/** Where a wind is read: 2 m for what is felt or held in the hand, 10 m for a report. [pub] */
export const WIND_HEIGHT_M = { felt: 2, report: 10 } as const

/**
 * Wind at a height over wind at the height it was read at: the logarithmic law. Nothing at the ground and below.
 * @example windFactor(2, 10, 0.03) // => 0.725
 */
export function windFactor(heightM: number, readAtM: number, roughnessM: number): number {
  return heightM <= 0 ? 0 : ln(1 + heightM / roughnessM) / ln(1 + readAtM / roughnessM)
}

/** Wind by the clock: 12 blows in the face, 3 from the right, 6 from behind. */
export interface Wind {
  speedMs: number
  clock: number
  readAtM: number
  roughnessM: number
}

export const CALM: Wind = { speedMs: 0, clock: 12, readAtM: WIND_HEIGHT_M.report, roughnessM: ROUGHNESS_M.open }

const angleOf = (clock: number) => (clock * Math.PI) / 6

/** Part of a wind in the face (from behind is negative), and part from the right, m/s. */
export function windParts({ speedMs, clock }: Pick<Wind, 'speedMs' | 'clock'>): { headMs: number; rightMs: number } {
  return { headMs: speedMs * cos(angleOf(clock)), rightMs: speedMs * sin(angleOf(clock)) }
}

/** The wind that has these parts, read where `like` was. */
export function windFromParts(headMs: number, rightMs: number, like: Wind): Wind {
  const clock = (atan2(rightMs, headMs) * 6) / Math.PI
  return { ...like, speedMs: Math.hypot(headMs, rightMs), clock: clock <= 0 ? clock + 12 : clock }
}

/**
 * The same wind by the clock of another line: a line that lies 30° further right takes an hour off.
 * @param turnDeg how much further right the new line lies
 * @example clockOnLine(12, 30) // => 11
 */
export function clockOnLine(clock: number, turnDeg: number): number {
  const turned = (clock - turnDeg / 30) % 12
  return turned <= 0 ? turned + 12 : turned
}

/** Everything a flight needs to know of the day: air, wind, and how far the target lies above the ball. */
export interface Conditions {
  air: Air
  wind: Wind
  targetHeightM: number
}

export const NEUTRAL: Conditions = { air: NEUTRAL_AIR, wind: CALM, targetHeightM: 0 }
