import type { Firmness } from '../core/flight/run-out'
import type { Readings } from '../core/shot/readings'
import { distanceText, distanceWithUnit, toHeight, toWind, type DistanceUnit, type SpeedUnit } from '../core/units'
import { READINGS, TAKEN } from './en/readings'
import { write, type MessageValues } from './message'

/** What ball and club speed are read in beside yards and beside metres, where nobody chose. */
export const usualSpeedUnit = (unit: DistanceUnit): SpeedUnit => (unit === 'yd' ? 'mph' : 'km/h')

/** Ball and club speed as a coach reads them: m/s with a decimal, since one of them is more than two mph. */
export function speedText(ms: number, unit: DistanceUnit, speedUnit: SpeedUnit = usualSpeedUnit(unit)): string {
  return `${toWind(ms, speedUnit).toFixed(speedUnit === 'm/s' ? 1 : 0)} ${speedUnit}`
}

/** How high a ball flew: feet beside yards, metres beside metres, as people think of it. */
export function apexText(apexM: number, unit: DistanceUnit): string {
  return unit === 'yd' ? `${Math.round(toHeight(apexM, 'ft'))} ft` : `${Math.round(apexM)} m`
}

/** To ten: more is not known. @example spinText(8153) // => '8,150' */
export function spinText(rpm: number): string {
  return (Math.round(rpm / 10) * 10).toLocaleString('en-GB')
}

/** How far beside the line. @example sideText(-2.1, 'yd') // => '2 yd left' */
export function sideText(sideM: number, unit: DistanceUnit): string {
  const off = distanceWithUnit(Math.abs(sideM), unit)
  if (distanceText(Math.abs(sideM), unit) === '0') return write(READINGS.onLine)
  return write(sideM < 0 ? READINGS.left : READINGS.right, { off })
}

/** @example heightText(-2, 'm') // => '2 m below' */
export function heightText(heightM: number, unit: DistanceUnit): string {
  return write(heightM < 0 ? READINGS.below : READINGS.above, { height: distanceWithUnit(Math.abs(heightM), unit) })
}

/** One line of a list, or nothing where nothing is known. */
const line = (message: string, values: MessageValues | undefined) => (values ? [write(message, values)] : [])
const figure = <T>(value: T | undefined, text: (value: T) => string) =>
  value === undefined ? undefined : { figure: text(value) }

/** What was read of a ball beside its carry, in the order a coach reads it, each with its unit. */
export function readingTexts(readings: Readings, unit: DistanceUnit, speedUnit?: SpeedUnit): string[] {
  const { sideM, ballSpeedMs, clubSpeedMs, launchDeg, spinRpm, apexM, descentDeg, totalM, carryBasis } = readings
  const whole = (value: number) => String(Math.round(value))
  const length = (metres: number) => distanceWithUnit(metres, unit)
  const speed = (ms: number) => speedText(ms, unit, speedUnit)
  return [
    ...(sideM === undefined ? [] : [sideText(sideM, unit)]),
    ...line(READINGS.spin, figure(spinRpm, spinText)),
    ...line(READINGS.launch, figure(launchDeg, whole)),
    ...line(READINGS.ballSpeed, figure(ballSpeedMs, speed)),
    ...line(READINGS.clubSpeed, figure(clubSpeedMs, speed)),
    ...line(READINGS.descent, figure(descentDeg, whole)),
    ...line(
      READINGS.apex,
      figure(apexM, m => apexText(m, unit)),
    ),
    ...line(READINGS.total, figure(totalM, length)),
    ...(carryBasis === 'computed' ? [write(READINGS.computed)] : []),
  ]
}

/** How a distance was taken, as it is kept with a ball. */
export interface HowTaken {
  lies?: Firmness
  laserM?: number
  steps?: number
  paceM?: number
  frontM?: number
  backM?: number
  widthM?: number
  mishits?: number
  errorM?: number
  sign?: { id: string; name: string; distanceM: number }
  offM?: number
  heightM?: number
  askedRungId?: string
}

/** A distance along a pile: where it begins and ends, as far as both were measured. */
function extentOf({ frontM, backM }: HowTaken, unit: DistanceUnit): MessageValues | undefined {
  if (frontM === undefined || backM === undefined) return undefined
  return { front: distanceText(frontM, unit), back: distanceWithUnit(backM, unit) }
}

/** How far from a sign a ball was guessed to pitch. */
function signOf({ sign, offM = 0 }: HowTaken, unit: DistanceUnit): MessageValues | undefined {
  if (!sign) return undefined
  return {
    off: distanceWithUnit(Math.abs(offM), unit),
    way: offM < 0 ? 'short' : 'past',
    name: sign.name,
    distance: distanceWithUnit(sign.distanceM, unit, 1),
  }
}

/** How a distance was taken, in the order a coach tells it, each with its unit. */
export function takenTexts(
  { balls, taken }: { balls: number; taken: HowTaken | null },
  unit: DistanceUnit,
  swingOf: (rungId: string) => string,
): string[] {
  if (!taken) return []
  const { lies, laserM, steps, paceM, widthM, mishits, errorM, heightM, askedRungId } = taken
  const fine = (metres: number) => distanceWithUnit(metres, unit, 1)
  const paced = steps === undefined || paceM === undefined ? undefined : { steps: String(steps), pace: fine(paceM) }
  return [
    ...line(TAKEN.asked, askedRungId === undefined ? undefined : { swing: swingOf(askedRungId) }),
    ...line(TAKEN.pile, balls > 1 ? { balls: String(balls) } : undefined),
    ...line(TAKEN.mishits, mishits ? { n: mishits } : undefined),
    ...line(TAKEN.laser, laserM === undefined ? undefined : { distance: fine(laserM) }),
    ...line(TAKEN.steps, paced),
    ...line(TAKEN.extent, extentOf(taken, unit)),
    ...line(TAKEN.width, widthM === undefined ? undefined : { width: distanceWithUnit(widthM, unit) }),
    ...line(TAKEN.sign, signOf(taken, unit)),
    ...line(TAKEN.error, errorM === undefined ? undefined : { error: fine(errorM) }),
    ...line(TAKEN.height, heightM ? { height: heightText(heightM, unit) } : undefined),
    ...line(TAKEN.lies, lies === undefined ? undefined : { ground: lies }),
  ]
}
