import { AIR_RANGE } from '#core/flight/air'
import type { AirEntry } from '#core/flight/session-air'
import {
  fromHeight,
  fromTemp,
  fromWind,
  toHeight,
  toTemp,
  toWind,
  type HeightUnit,
  type TempUnit,
  type WindUnit,
} from '#core/units'
import { typedNumber } from '~/ui/numbers'

export interface AirUnits {
  temp: TempUnit
  wind: WindUnit
  height: HeightUnit
}

/** AirReading as it is being typed. */
export interface AirDraft {
  temp: string
  humidity: string
  altitude: string
  /** Reduced to sea level, hPa; empty takes the standard one. */
  qnh: string
  wind: string
  /** 1 to 12. */
  clock: number
  judged: AirEntry['wind']['judged']
  /** What a ball told of the wind; it holds while the figure stays as it was told. */
  fromBall?: { wind: string; clock: number; sdMs: number }
  ground: AirEntry['ground']
}

/** AirReading without its moment. */
export type AirReading = Omit<AirEntry, 'fromMs'>

export const USUAL_AIR: AirReading = {
  tempC: 20,
  humidity: 0.5,
  altitudeM: 0,
  qnhPa: null,
  wind: { speedMs: 0, clock: 12, judged: 'calm' },
  ground: 'open',
}

const text = (value: number, decimals: number) => String(Number(value.toFixed(decimals)))

export function airDraft(air: AirReading, units: AirUnits): AirDraft {
  const wind = text(toWind(air.wind.speedMs, units.wind), 1)
  const clock = Math.min(12, Math.max(1, Math.round(air.wind.clock)))
  return {
    temp: text(toTemp(air.tempC, units.temp), 0),
    humidity: text(air.humidity * 100, 0),
    altitude: text(toHeight(air.altitudeM, units.height), 0),
    qnh: air.qnhPa === null ? '' : text(air.qnhPa / 100, 0),
    wind,
    clock,
    judged: air.wind.judged,
    ...(air.wind.sdMs !== undefined && { fromBall: { wind, clock, sdMs: air.wind.sdMs } }),
    ground: air.ground,
  }
}

interface Field {
  key: 'temp' | 'humidity' | 'altitude' | 'qnh' | 'wind'
  what: string
  unit: string
  least: number
  most: number
}

/**
 * AirReading from what was typed, or what is wrong with it, field by field, in the unit it was typed in.
 * @param was what the draft was made from: an untouched figure keeps its exact value
 */
export function readAirDraft(
  draft: AirDraft,
  units: AirUnits,
  was: AirReading,
): { air: AirReading } | { faults: Record<string, string> } {
  const fields: Field[] = [
    {
      key: 'temp',
      what: 'Temperature',
      unit: units.temp,
      least: toTemp(AIR_RANGE.tempC[0], units.temp),
      most: toTemp(AIR_RANGE.tempC[1], units.temp),
    },
    { key: 'humidity', what: 'Humidity', unit: '%', least: 0, most: 100 },
    {
      key: 'altitude',
      what: 'Altitude',
      unit: units.height,
      least: toHeight(AIR_RANGE.altitudeM[0], units.height),
      most: toHeight(AIR_RANGE.altitudeM[1], units.height),
    },
    { key: 'qnh', what: 'Pressure', unit: 'hPa', least: AIR_RANGE.qnhPa[0] / 100, most: AIR_RANGE.qnhPa[1] / 100 },
    { key: 'wind', what: 'Wind', unit: units.wind, least: 0, most: toWind(AIR_RANGE.windMs[1], units.wind) },
  ]
  const faults: Record<string, string> = {}
  const values: Record<string, number> = {}
  for (const { key, what, unit, least, most } of fields) {
    const typed = draft[key].trim()
    if (key === 'qnh' && typed === '') continue
    const value = typedNumber(typed)
    if (!(value >= least - 1e-9 && value <= most + 1e-9))
      faults[key] =
        `${what} ${typed === '' ? 'is missing' : `"${typed}" is not possible`}: ` +
        `${Math.round(least)} to ${Math.round(most)} ${unit} is allowed.`
    values[key] = value
  }
  if (Object.keys(faults).length > 0) return { faults }
  const before = airDraft(was, units)
  const keep = (key: Field['key'], exact: number, read: number) => (draft[key] === before[key] ? exact : read)
  const { fromBall } = draft
  const told = draft.judged === 'pitched' && fromBall?.wind === draft.wind && fromBall.clock === draft.clock
  return {
    air: {
      tempC: keep('temp', was.tempC, fromTemp(values.temp!, units.temp)),
      humidity: keep('humidity', was.humidity, values.humidity! / 100),
      altitudeM: keep('altitude', was.altitudeM, fromHeight(values.altitude!, units.height)),
      qnhPa: values.qnh === undefined ? null : draft.qnh === before.qnh ? was.qnhPa : values.qnh * 100,
      wind: {
        speedMs: keep('wind', was.wind.speedMs, fromWind(values.wind!, units.wind)),
        clock: draft.clock === before.clock ? was.wind.clock : draft.clock,
        judged: draft.judged,
        ...(told && { sdMs: fromBall.sdMs }),
      },
      ground: draft.ground,
    },
  }
}

export const JUDGED_WORDS: Record<AirReading['wind']['judged'], string> = {
  calm: 'Calm',
  felt: 'Felt',
  meter: 'Hand meter',
  report: 'Weather report',
  pitched: 'Where a ball pitched',
}
export const GROUND_WORDS: Record<AirReading['ground'], string> = {
  open: 'Open grass',
  some: 'Some trees',
  enclosed: 'Trees all round',
}

/** Where a wind comes from, as a coach says it. */
export function windFromWords(clock: number): string {
  const hour = Math.round(clock) % 12
  if (hour === 0) return 'into the face'
  if (hour === 6) return 'from behind'
  if (hour === 3) return 'from the right'
  if (hour === 9) return 'from the left'
  return `from ${hour} o'clock`
}

/** "14 °C, 3 m/s from 2 o'clock, 120 m". */
export function airWords({ tempC, altitudeM, wind }: AirReading, units: AirUnits): string {
  const blows =
    wind.speedMs < 0.05
      ? 'calm'
      : `${text(toWind(wind.speedMs, units.wind), 1)} ${units.wind} ${windFromWords(wind.clock)}`
  return (
    `${text(toTemp(tempC, units.temp), 0)} ${units.temp}, ${blows}, ` +
    `${text(toHeight(altitudeM, units.height), 0)} ${units.height}`
  )
}
