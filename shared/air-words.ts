import type { AirCorrection } from '../core/chart/corrections'
import type { RangeBalls } from '../core/chart/play-ball'
import { Z_80 } from '../core/chart/model/normal'
import { distanceText, type DistanceUnit } from '../core/units'
import { heightWords } from './reading-words'

/** Under this a wind is not worth a word, m/s. */
const WORTH_MS = 0.5

/**
 * What the air did to a stock shot's balls, as a coach says it.
 * @param windText a wind speed in the coach's unit
 * @example correctionWords(…) // => 'into 3 m/s: 63 measured, 66 in neutral air, ± 1.5 for the air'
 */
export function correctionWords({ measuredM, neutralM, sdM, headMs, rightMs, heightM = 0, still }: AirCorrection, unit: DistanceUnit, windText: (ms: number) => string): string {
  const [along, across] = [Math.abs(headMs), Math.abs(rightMs)]
  const wind = along >= WORTH_MS && along >= across / 2 ? `${headMs > 0 ? 'into' : 'downwind'} ${windText(along)}` : across >= WORTH_MS ? `across ${windText(across)}` : 'in that air'
  const slope = distanceText(Math.abs(heightM), unit) === '0' ? [] : [`to a place ${heightWords(heightM, unit)}`]
  const way = [...(still ? [] : [wind]), ...slope].join(', ') || 'to about the level'
  if (neutralM === null) return `${way}: ${distanceText(measuredM, unit)} measured; the wind was too strong to count`
  return `${way}: ${distanceText(measuredM, unit)} measured, ${distanceText(neutralM, unit)} ${still ? 'on the level' : 'in neutral air'}, ± ${distanceText(Z_80 * sdM, unit, 1)} for the ${still ? 'ground' : 'air'}`
}

/** What range balls lose, how surely, and where it is from. */
export function rangeBallWords({ loss, sd, pairs }: RangeBalls): string {
  const percent = (share: number) => Math.round(share * 100)
  const from = pairs === 0 ? 'as is usual; hit some stock shots with both balls and it is yours' : `from ${pairs} stock ${pairs === 1 ? 'shot' : 'shots'} hit with both balls`
  return `Range balls are taken to fly ${percent(loss)} ± ${percent(Z_80 * sd)} % shorter at 100 yd, ${from}.`
}
