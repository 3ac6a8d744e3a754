import type { Readings } from '../core/shot/readings'
import { distanceText, distanceWithUnit, toWind, type DistanceUnit } from '../core/units'
import type { ShotRecord } from './session'

/** Ball and club speed as a coach reads them: mph beside yards, km/h beside metres. */
export function speedText(ms: number, unit: DistanceUnit): string {
  const word = unit === 'yd' ? 'mph' : 'km/h'
  return `${Math.round(toWind(ms, word))} ${word}`
}

/** To ten: more is not known. @example spinText(8153) // => '8,150' */
export function spinText(rpm: number): string {
  return (Math.round(rpm / 10) * 10).toLocaleString('en-GB')
}

/** How far beside the line. @example sideText(-2.1, 'yd') // => '2 yd left' */
export function sideText(sideM: number, unit: DistanceUnit): string {
  const text = distanceText(Math.abs(sideM), unit)
  return text === '0' ? 'on the line' : `${text} ${unit} ${sideM < 0 ? 'left' : 'right'}`
}

/** What was read of a ball beside its carry, in the order a coach reads it, each with its unit. */
export function readingWords({ sideM, ballSpeedMs, clubSpeedMs, launchDeg, spinRpm, apexM, descentDeg, totalM, carryBasis }: Readings, unit: DistanceUnit): string[] {
  const said = <T>(value: T | undefined, words: (value: T) => string) => value === undefined ? [] : [words(value)]
  return [
    ...said(sideM, m => sideText(m, unit)),
    ...said(spinRpm, rpm => `spin ${spinText(rpm)} rpm`),
    ...said(launchDeg, deg => `launch ${Math.round(deg)}°`),
    ...said(ballSpeedMs, ms => `ball ${speedText(ms, unit)}`),
    ...said(clubSpeedMs, ms => `club ${speedText(ms, unit)}`),
    ...said(descentDeg, deg => `descent ${Math.round(deg)}°`),
    ...said(apexM, m => `apex ${distanceText(m, unit)} ${unit}`),
    ...said(totalM, m => `total ${distanceText(m, unit)} ${unit}`),
    ...(carryBasis === 'computed' ? ['carry worked out by the device, in still air'] : []),
  ]
}

/** @example heightWords(-2, 'm') // => '2 m below' */
export function heightWords(heightM: number, unit: DistanceUnit): string {
  return `${distanceWithUnit(Math.abs(heightM), unit)} ${heightM < 0 ? 'below' : 'above'}`
}

/** How a distance was taken, in the order a coach tells it, each with its unit. */
export function takenWords({ balls, taken }: Pick<ShotRecord, 'balls' | 'taken'>, unit: DistanceUnit, swingOf: (rungId: string) => string): string[] {
  if (!taken) return []
  const { lies, laserM, steps, paceM, frontM, backM, widthM, mishits, errorM, sign, offM, heightM, askedRungId } = taken
  const at = (metres: number) => distanceWithUnit(metres, unit, 1)
  return [
    ...(askedRungId === undefined ? [] : [`asked for ${swingOf(askedRungId)}`]),
    ...(balls > 1 ? [`a pile of ${balls} balls`] : []),
    ...(mishits ? [`${mishits} ${mishits === 1 ? 'mishit' : 'mishits'} not in it`] : []),
    ...(laserM === undefined ? [] : [`lasered ${at(laserM)}`]),
    ...(steps === undefined || paceM === undefined ? [] : [`${steps} steps of ${at(paceM)}`]),
    ...(frontM === undefined || backM === undefined ? [] : [`from ${distanceText(frontM, unit)} to ${distanceWithUnit(backM, unit)}`]),
    ...(widthM === undefined ? [] : [`${distanceWithUnit(widthM, unit)} wide`]),
    ...(sign === undefined ? [] : [`${distanceText(Math.abs(offM ?? 0), unit)} ${unit} ${(offM ?? 0) < 0 ? 'short of' : 'past'} "${sign.name}" at ${at(sign.distanceM)}`]),
    ...(errorM === undefined ? [] : [`good to ± ${at(errorM)}`]),
    ...(heightM ? [`${heightWords(heightM, unit)} the tee`] : []),
    ...(lies === undefined ? [] : [`to where it lies on ${lies} ground, the run is taken out`]),
  ]
}
