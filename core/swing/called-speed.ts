import { kmhToMps, mphToMps } from '../units'
import type { SchoolId } from './schools'

/** What may be called, m/s: from a chip to more than anybody swings a wedge at. Our choice. */
export const CALLED_SPEED = { leastMs: 8, mostMs: 65 } as const

/** Carry grows about with this power of the club's speed. From memory. */
export const CARRY_POWER_OF_SPEED = 1.5

const SPEED_NAME = /^(\d{1,3}(?:[.,]\d)?)\s*(mph|km\/?h|kph|m\/s)$/i
const TO_MS: Record<string, (speed: number) => number> = {
  'mph': mphToMps,
  'kmh': kmhToMps,
  'kph': kmhToMps,
  'm/s': speed => speed,
}

/**
 * The club speed that the name of a swing length calls, m/s; undefined where it names none that can be called.
 * @example calledSpeedMs('69 mph') // => 30.85
 * @example calledSpeedMs('111 km/h') // => 30.83
 * @example calledSpeedMs('fast') // => undefined
 */
export function calledSpeedMs(label: string): number | undefined {
  const found = SPEED_NAME.exec(label.trim())
  if (!found) return undefined
  const unit = found[2]!.toLowerCase()
  const ms = TO_MS[unit === 'km/h' ? 'kmh' : unit]!(Number(found[1]!.replace(',', '.')))
  return ms >= CALLED_SPEED.leastMs && ms <= CALLED_SPEED.mostMs ? ms : undefined
}

/** The speed that a swing length of a scale calls, m/s; undefined where it is of another school. */
export function rungSpeedMs(rung: { label: string; school?: SchoolId }, scaleSchool: SchoolId): number | undefined {
  return (rung.school ?? scaleSchool) === 'speed' ? calledSpeedMs(rung.label) : undefined
}
