import { parseMetar, SpeedUnit, type IMetar } from 'metar-taf-parser'
import { saturationPressurePa } from '../flight/air'
import { WIND_UNITS } from '../units'

/** What a weather report in METAR code says of the air. */
export interface Metar {
  station: string
  tempC: number
  /** 0 to 1, from the dew point; null when the report has none. */
  humidity: number | null
  /** Reduced to sea level, Pa; null when the report has none. */
  qnhPa: number | null
  windMs: number
  /** Degrees from true north that the wind blows from; null when it is variable or calm. */
  windFromDeg: number | null
}

const IN_HG_PA = 3386.389

const noMetar = (shown: string) =>
  new RangeError(
    `"${shown}" is no METAR line: one begins with a station, a day ` +
      `and a time, such as "EGXX 251120Z 24008KT 9999 12/07 Q1021"`,
  )

/**
 * Reads one METAR line (WMO Manual on Codes, FM 15): wind, temperature, dew point and pressure; clouds and the rest are
 * not needed.
 * @throws RangeError that names the group which is missing, or says that the line is no METAR
 * @example readMetar('YUDO 221630Z 24004MPS 0600 17/16 Q1018').windFromDeg // => 240
 */
export function readMetar(line: string): Metar {
  const text = line.trim().replace(/\s+/g, ' ').replace(/=$/, '')
  const shown = text.length > 40 ? `${text.slice(0, 40)}…` : text
  let report: IMetar
  try {
    report = parseMetar(text)
  } catch {
    throw noMetar(shown)
  }
  if (!/^[A-Z]{4}$/.test(report.station)) throw noMetar(shown)
  const { wind, temperature, dewPoint, altimeter } = report
  if (!wind) throw new RangeError(`the METAR "${shown}" has no wind group, such as 24008KT`)
  if (temperature === undefined) throw new RangeError(`the METAR "${shown}" has no temperature group, such as 12/07`)
  const unit = {
    [SpeedUnit.Knot]: WIND_UNITS.kn,
    [SpeedUnit.MetersPerSecond]: WIND_UNITS['m/s'],
    [SpeedUnit.KilometersPerHour]: WIND_UNITS['km/h'],
  }[wind.unit]
  return {
    station: report.station,
    tempC: temperature,
    humidity:
      dewPoint === undefined ? null : Math.min(1, saturationPressurePa(dewPoint) / saturationPressurePa(temperature)),
    qnhPa: altimeter ? altimeter.value * (String(altimeter.unit) === 'hPa' ? 100 : IN_HG_PA) : null,
    windMs: wind.speed * unit,
    windFromDeg: wind.speed === 0 ? null : (wind.degrees ?? null),
  }
}

/**
 * Hour of the clock that a wind blows from for someone who looks along a bearing.
 * @example clockOf(270, 180)
 * // => 3
 */
export function clockOf(fromDeg: number, bearingDeg: number): number {
  const hours = ((((fromDeg - bearingDeg) / 30) % 12) + 12) % 12
  return hours === 0 ? 12 : hours
}
