import type { AirCorrection } from '../core/chart/corrections'
import { Z_80 } from '../core/chart/model/normal'
import { distanceText, type DistanceUnit } from '../core/units'

/** Under this a wind is not worth a word, m/s. */
const WORTH_MS = 0.5

/**
 * What the air did to a stock shot's balls, as a coach says it.
 * @param windText a wind speed in the coach's unit
 * @example correctionWords(…) // => 'into 3 m/s: 63 measured, 66 in neutral air, ± 1.5 for the air'
 */
export function correctionWords({ measuredM, neutralM, sdM, headMs, rightMs }: AirCorrection, unit: DistanceUnit, windText: (ms: number) => string): string {
  const [along, across] = [Math.abs(headMs), Math.abs(rightMs)]
  const way = along >= WORTH_MS && along >= across / 2 ? `${headMs > 0 ? 'into' : 'downwind'} ${windText(along)}` : across >= WORTH_MS ? `across ${windText(across)}` : 'in that air'
  if (neutralM === null) return `${way}: ${distanceText(measuredM, unit)} measured; the wind was too strong to count`
  return `${way}: ${distanceText(measuredM, unit)} measured, ${distanceText(neutralM, unit)} in neutral air, ± ${distanceText(Z_80 * sdM, unit, 1)} for the air`
}
