/** A simulated launch monitor: what it reads of a strike, with its errors and its misreads. */
import type { Conditions } from '../core/flight/air'
import { fly } from '../core/flight/fly'
import { metresToYards, yardsToMetres } from '../core/units'
import type { Readings } from '../core/shot/readings'
import type { SimulatedStrike } from './golfer'
import type { Dice } from './dice'

/** Errors of a monitor, one standard deviation. Ours, in the order of what such devices state. */
const ERROR = { speed: 0.004, launchDeg: 0.4, spin: 0.03, clubSpeed: 0.012, carryYd: 0.9, sideM: 0.5 } as const

export interface Reading {
  carryM: number
  readings: Readings
  misread: boolean
}

const round = (value: number, decimals: number) => Number(value.toFixed(decimals))

/**
 * What the monitor reads of a strike that flies in today's air; null when the ball comes down nowhere.
 * @param misreads how often it is wrong about spin or speed, share
 */
export function read(
  { launch, clubSpeedMs }: SimulatedStrike,
  today: Conditions,
  misreads: number,
  dice: Dice,
): Reading | null {
  const flight = fly(launch, today)
  if (!flight.ok || flight.carryM < 2) return null
  let speedMs = launch.speedMs * (1 + ERROR.speed * dice.normal())
  let spinRpm = launch.spinRpm * (1 + ERROR.spin * dice.normal())
  const misread = dice.uniform() < misreads
  if (misread) {
    const u = dice.uniform()
    if (u < 0.75) spinRpm *= dice.between(0.12, 0.38)
    else if (u < 0.9) spinRpm *= dice.between(1.6, 2.2)
    else speedMs *= dice.between(0.5, 0.75)
  }
  const carryM = flight.carryM + yardsToMetres(ERROR.carryYd * Math.min(1, 0.3 + flight.carryM / 100) * dice.normal())
  return {
    misread,
    carryM: yardsToMetres(round(metresToYards(Math.max(1, carryM)), 1)),
    readings: {
      ballSpeedMs: round(speedMs, 2),
      clubSpeedMs: round(clubSpeedMs * (1 + ERROR.clubSpeed * dice.normal()), 2),
      launchDeg: round(launch.launchDeg + ERROR.launchDeg * dice.normal(), 1),
      directionDeg: round(launch.azimuthDeg, 1),
      spinRpm: Math.min(20_000, Math.round(spinRpm)),
      spinAxisDeg: round(Math.max(-90, Math.min(90, launch.tiltDeg)), 1),
      descentDeg: round(flight.descentDeg, 1),
      apexM: round(flight.apexM, 1),
      sideM: round(flight.sideM + ERROR.sideM * dice.normal(), 1),
    },
  }
}

/** The same as a row of the shot table, metric, for the open door. */
export function toSentShot(id: string, hitAt: Date, { carryM, readings: r }: Reading): Record<string, string | number> {
  return {
    id,
    time: hitAt.toISOString(),
    carry_m: round(carryM, 3),
    method: 'monitor',
    side_m: r.sideM!,
    apex_m: r.apexM!,
    ball_speed_mps: r.ballSpeedMs!,
    club_speed_mps: r.clubSpeedMs!,
    launch_deg: r.launchDeg!,
    direction_deg: r.directionDeg!,
    spin_rpm: r.spinRpm!,
    spin_axis_deg: r.spinAxisDeg!,
    descent_deg: r.descentDeg!,
  }
}
