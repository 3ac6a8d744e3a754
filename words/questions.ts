import type { StockShot } from '../core/bag/bag'
import type { Question } from '../core/calibration/calibration'
import type { Instead } from '../core/questions/instead'
import type { LaunchLook } from '../core/questions/launch-looks'
import { distanceText, distanceWithUnit, type DistanceUnit } from '../core/units'
import { LAUNCHES, QUESTIONS } from './en/next'
import { write, type MessageValues } from './message'
import { speedText, spinText } from './readings'

/** Under this ball speed is not what one looks at, share of the usual. */
const SLOW = 0.97
/** Spin that is off by more than this is what gives a misread away. */
const SPIN_OFF = 0.25

/** What a launch shows, as a coach says it, with the figures. */
function launchText(seen: LaunchLook, way: string, unit: DistanceUnit): string {
  const { look, spinRpm, usualSpinRpm, launchDeg, usualLaunchDeg, speedMs, usualSpeedMs, own } = seen
  const usual = write(LAUNCHES.whose, { whose: own ? 'own' : 'loft' })
  const values: MessageValues = {
    way,
    usual,
    launch: String(Math.round(launchDeg)),
    usualLaunch: String(Math.round(usualLaunchDeg)),
    spin: write(LAUNCHES.spin, { spin: spinText(spinRpm), usual, usualSpin: spinText(usualSpinRpm) }),
    speed: speedText(speedMs, unit),
    usualSpeed: speedText(usualSpeedMs ?? speedMs, unit),
  }
  const spinIsOff = Math.abs(spinRpm / usualSpinRpm - 1) > SPIN_OFF
  const isSlow = usualSpeedMs !== null && speedMs < SLOW * usualSpeedMs
  const messages: Record<LaunchLook['look'], string> = {
    flyer: LAUNCHES.flyer,
    thin: LAUNCHES.thin,
    misread: spinIsOff ? LAUNCHES.misreadSpin : LAUNCHES.misread,
    heavy: isSlow ? LAUNCHES.heavy : LAUNCHES.heavyForClub,
  }
  return write(messages[look], values)
}

/** Times what was read, where it was a figure of the unit that this screen does not show; undefined else. */
export function unitSlip({ otherUnit }: Pick<Instead, 'otherUnit'>, unit: DistanceUnit): number | undefined {
  return otherUnit !== undefined && otherUnit > 1 === (unit === 'yd') ? otherUnit : undefined
}

/**
 * What else a ball that stands out may have been, with the figures; empty when nothing fits.
 * @param measuredM as it was read
 * @param nameOf a stock shot
 */
export function insteadText(
  { otherClub, ...rest }: Instead,
  measuredM: number,
  unit: DistanceUnit,
  nameOf: (cell: StockShot) => string,
): string {
  const times = unitSlip(rest, unit)
  const read = `${distanceText(measuredM, unit)} ${unit === 'yd' ? 'm' : 'yd'}`
  return [
    ...(otherClub ? [write(QUESTIONS.otherClub, { cell: nameOf(otherClub) })] : []),
    ...(times === undefined
      ? []
      : [write(QUESTIONS.otherUnit, { read, meant: distanceWithUnit(measuredM * times, unit) })]),
  ].join(' ')
}

/** What is asked about a ball that stands out. */
export function questionText(
  { offM, fault, changed, launch }: Pick<Question, 'offM' | 'fault' | 'changed' | 'launch'>,
  unit: DistanceUnit,
): string {
  const off = distanceWithUnit(Math.abs(offM), unit)
  const isShort = offM < 0
  if (launch) {
    const isUsual = distanceText(Math.abs(offM), unit) === '0'
    const way = isUsual ? write(QUESTIONS.asUsual) : write(isShort ? QUESTIONS.short : QUESTIONS.past, { off })
    return launchText(launch, way, unit)
  }
  const way = write(isShort ? QUESTIONS.shortOfUsual : QUESTIONS.pastUsual, { off })
  return changed ? write(QUESTIONS.changed, { way }) : write(QUESTIONS.fault, { way, fault })
}
