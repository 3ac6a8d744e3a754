import type { Readings } from './readings'

/**
 * What a launch monitor's carry is of: the ball as it flew, a flight worked out for calm air, or nobody knows. What a
 * device says of a single ball goes before it.
 */
export const CARRY_AIRS = ['flown', 'calm', 'unknown'] as const
export type CarryAir = (typeof CARRY_AIRS)[number]

/**
 * What one carry is of: what its device says of it, else what is said of the session's monitor. Laser, paces, watch and
 * eye see the ball where it came down.
 * @example carryAirOf({ method: 'monitor' }, 'calm') // => 'calm'
 * @example carryAirOf({ method: 'laser' }, 'calm') // => 'flown'
 */
export function carryAirOf(
  { method, readings }: { method: string; readings?: Readings },
  session: CarryAir | undefined,
): CarryAir {
  if (readings?.carryBasis) return readings.carryBasis === 'computed' ? 'calm' : 'flown'
  return method === 'monitor' ? (session ?? 'flown') : 'flown'
}
