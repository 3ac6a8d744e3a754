import type { AirEntry } from '../flight/session-air'
import { AIR_RANGE, WIND_HEIGHT_M } from '../flight/air'
import { fromHeight, fromTemp, fromWind } from '../units'
import { readNumber } from './cells'
import type { Fail } from './row-fault'

/** Air of one row: no moment of its own, it holds from the row's time on. */
export type RowAir = Omit<AirEntry, 'fromMs'>

export const AIR_COLUMNS_OUT = [
  'temp_c',
  'altitude_m',
  'pressure_hpa',
  'humidity_pct',
  'wind_mps',
  'wind_from_clock',
  'wind_height_m',
] as const

/** A barometer of the place itself, up to the highest course. */
const PLACE_HPA = [500, 1085] as const

const same = (value: number) => value

/**
 * The air of a row, or undefined when none of its columns says anything. What is not said is 20 °C, half humid, calm,
 * sea level. A pressure beside an altitude is reduced to sea level, as reports give it; alone it is the place's own.
 */
export function readAirColumns(cells: Record<string, string>, fail: Fail): RowAir | undefined {
  const tempC = readNumber(
    cells,
    [
      ['temp_c', same],
      ['temp_f', value => fromTemp(value, '°F')],
    ],
    AIR_RANGE.tempC,
    '°C',
    fail,
  )
  const altitudeM = readNumber(
    cells,
    [
      ['altitude_m', same],
      ['altitude_ft', value => fromHeight(value, 'ft')],
    ],
    AIR_RANGE.altitudeM,
    'm',
    fail,
  )
  const hPa = readNumber(cells, [['pressure_hpa', same]], PLACE_HPA, 'hPa', fail)
  const percent = readNumber(cells, [['humidity_pct', same]], [0, 100], '%', fail)
  const speedMs = readNumber(
    cells,
    [
      ['wind_mps', same],
      ['wind_mph', value => fromWind(value, 'mph')],
      ['wind_kmh', value => fromWind(value, 'km/h')],
    ],
    AIR_RANGE.windMs,
    'm/s',
    fail,
  )
  const clock = readNumber(cells, [['wind_from_clock', same]], [0, 12], "o'clock", fail)
  const heightM = readNumber(cells, [['wind_height_m', same]], [0.5, 20], 'm', fail)
  if ([tempC, altitudeM, hPa, percent, speedMs].every(value => value === undefined)) return undefined
  if (speedMs !== undefined && speedMs > 0 && clock === undefined) fail('wind_from_clock', '', { kind: 'no-hour' })
  return {
    tempC: tempC ?? 20,
    humidity: (percent ?? 50) / 100,
    altitudeM: altitudeM ?? 0,
    qnhPa: hPa === undefined ? null : hPa * 100,
    wind: {
      speedMs: speedMs ?? 0,
      clock: clock === undefined || clock === 0 ? 12 : clock,
      judged: (speedMs ?? 0) === 0 ? 'calm' : heightM === WIND_HEIGHT_M.report ? 'report' : 'felt',
    },
    ground: 'open',
  }
}

/** The same columns on their way out; empty where no air was taken. */
export function writeAirColumns(air: RowAir | null): (number | string)[] {
  if (!air) return AIR_COLUMNS_OUT.map(() => '')
  const round = (value: number, decimals: number) => Number(value.toFixed(decimals))
  return [
    round(air.tempC, 2),
    round(air.altitudeM, 1),
    air.qnhPa === null ? '' : round(air.qnhPa / 100, 2),
    round(air.humidity * 100, 1),
    round(air.wind.speedMs, 3),
    air.wind.speedMs === 0 ? '' : round(air.wind.clock, 2),
    air.wind.judged === 'report' ? WIND_HEIGHT_M.report : WIND_HEIGHT_M.felt,
  ]
}
