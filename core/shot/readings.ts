import type { Launch } from '../flight/fly'
import { POSSIBLE } from '../flight/possible'
import { CARRY_MAX_M } from '../limits'

/**
 * How a device came by a carry: it saw the ball fly in today's air, or worked the carry out from the launch in still
 * air of its own, which is nearly neutral already.
 */
export const CARRY_BASES = ['flown', 'computed'] as const
export type CarryBasis = (typeof CARRY_BASES)[number]

/** What was read of a ball beside its carry. What was not read is missing, never 0. */
export interface Readings {
  ballSpeedMs?: number
  clubSpeedMs?: number
  launchDeg?: number
  /** Right of the line is positive. */
  directionDeg?: number
  spinRpm?: number
  /** Curves right is positive. */
  spinAxisDeg?: number
  descentDeg?: number
  apexM?: number
  /** To where it came to rest. */
  totalM?: number
  /** Beside the line where it pitched, right positive. */
  sideM?: number
  /** Missing is `flown`. */
  carryBasis?: CarryBasis
}

export type ReadingName = Exclude<keyof Readings, 'carryBasis'>

/** What a ball can do at most; a device that says more is wrong. Launch as the flight takes it, the rest our choice. */
export const READING_RANGE: Record<ReadingName, readonly [least: number, most: number]> = {
  ballSpeedMs: POSSIBLE.speedMs,
  clubSpeedMs: [0.5, 70],
  launchDeg: POSSIBLE.launchDeg,
  directionDeg: POSSIBLE.azimuthDeg,
  spinRpm: POSSIBLE.spinRpm,
  spinAxisDeg: POSSIBLE.tiltDeg,
  descentDeg: [0, 90],
  apexM: [0, 120],
  totalM: [0, 1.5 * CARRY_MAX_M],
  sideM: [-CARRY_MAX_M, CARRY_MAX_M],
}
export const READING_NAMES = Object.keys(READING_RANGE) as ReadingName[]

/**
 * The launch, when all that the flight needs was read: speed, angle and spin. Direction and axis unread are straight.
 */
export function launchOf({
  ballSpeedMs,
  launchDeg,
  spinRpm,
  directionDeg = 0,
  spinAxisDeg = 0,
}: Readings): Launch | null {
  if (ballSpeedMs === undefined || launchDeg === undefined || spinRpm === undefined) return null
  return { speedMs: ballSpeedMs, launchDeg, azimuthDeg: directionDeg, spinRpm, tiltDeg: spinAxisDeg }
}
