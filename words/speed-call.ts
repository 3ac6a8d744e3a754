import { missOfSpeed, type SpeedCall } from '../core/corrections/called-speed'
import { distanceText, distanceWithUnit, fromWind, type DistanceUnit, type SpeedUnit } from '../core/units'
import { SPEED_CALL } from './en/speed-call'
import { write } from './message'
import { speedText, usualSpeedUnit } from './readings'

/**
 * How far a ball was off the called speed and what it cost, as it is said after it: "2 mph fast, about 3 yd more".
 * Within half a unit it was at the speed.
 */
export function speedMissText(
  { carryM, speedMs }: { carryM: number; speedMs: number },
  call: Pick<SpeedCall, 'calledMs' | 'power'>,
  unit: DistanceUnit,
  speedUnit: SpeedUnit = usualSpeedUnit(unit),
): string {
  const { offMs, costM } = missOfSpeed(carryM, speedMs, call)
  const off = speedText(Math.abs(offMs), unit, speedUnit)
  if (Number.parseFloat(off) === 0) return write(SPEED_CALL.on, { speed: speedText(call.calledMs, unit, speedUnit) })
  const cost = distanceWithUnit(Math.abs(costM), unit, distanceText(Math.abs(costM), unit) === '0' ? 1 : 0)
  return write(offMs > 0 ? SPEED_CALL.fast : SPEED_CALL.slow, { off, cost })
}

/** What was done to the balls of a stock shot that calls a speed, and what one unit of speed is worth there. */
export function speedCallText(
  { calledMs, power, balls }: SpeedCall,
  carryM: number,
  unit: DistanceUnit,
  speedUnit: SpeedUnit = usualSpeedUnit(unit),
): string {
  const { costM } = missOfSpeed(carryM, calledMs + fromWind(1, speedUnit), { calledMs, power })
  return write(SPEED_CALL.taken, {
    n: balls,
    speed: speedText(calledMs, unit, speedUnit),
    unit: speedUnit,
    worth: distanceWithUnit(costM, unit, 1),
  })
}
