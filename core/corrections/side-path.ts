import { NEUTRAL } from '../flight/air'
import { fly, type TracePoint } from '../flight/fly'
import { median } from '../stats/median'
import { launchOf, type Readings } from '../shot/readings'

/** A flight seen from the side, and what it was drawn from. */
export interface SidePath {
  path: TracePoint[]
  carryM: number
  apexM: number
  /** Balls whose launch was read. */
  balls: number
}

/**
 * The flight of a stock shot from the side: the middle launch of its balls, straight, in neutral air. Null where no
 * launch was read in full, or where it does not come down.
 * @example sidePath([{ ballSpeedMs: 38, launchDeg: 30.7, spinRpm: 10_110 }])?.carryM // => 91.6
 */
export function sidePath(readings: readonly Readings[]): SidePath | null {
  const launches = readings.flatMap(one => launchOf(one) ?? [])
  if (launches.length === 0) return null
  const [speedMs, launchDeg, spinRpm] = (['speedMs', 'launchDeg', 'spinRpm'] as const).map(name =>
    median(launches.map(one => one[name])),
  ) as [number, number, number]
  const path: TracePoint[] = []
  const flight = fly({ speedMs, launchDeg, spinRpm, azimuthDeg: 0, tiltDeg: 0 }, NEUTRAL, undefined, path)
  return flight.ok && flight.carryM > 0
    ? { path, carryM: flight.carryM, apexM: flight.apexM, balls: launches.length }
    : null
}
