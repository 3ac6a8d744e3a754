import { atan2, cos, sin } from '../stats/exact'
import { dragCoefficient, liftCoefficient, SPIN_DECAY, SPIN_DECAY_DENSITY_KG_M3 } from './aerodynamics'
import { GRAVITY_MS2, windFactor, type Conditions } from './air'
import { POSSIBLE } from './possible'
import { BALL_DIAMETER_M, BALL_KG, BALL_RADIUS_M, radSToRpm, rpmToRadS, toDeg, toRad } from './ball'

/** How the ball leaves the club. Right of the target, and a curve to the right, are positive. */
export interface Launch {
  speedMs: number
  launchDeg: number
  azimuthDeg: number
  spinRpm: number
  /** Tilt of the spin axis. */
  tiltDeg: number
}

export interface Flown {
  ok: true
  /** Along the line to the target, and beside it, where it comes down to the target's height. */
  carryM: number
  sideM: number
  apexM: number
  timeS: number
  descentDeg: number
  landSpeedMs: number
  landSpinRpm: number
}

/** `unreachable`: its highest point lies below the target. */
export type Flight = Flown | { ok: false; reason: 'unreachable' }

/** What is checked and known to be good; outside it a flight is computed and marked, and outside `POSSIBLE` refused. */
export const CHECKED = { speedMs: [8, 60], launchDeg: [15, 55], spinRpm: [1500, 12_000] } as const
/** @throws RangeError that names the value and what is allowed */
export function checkLaunch(launch: Launch): void {
  for (const [name, [least, most]] of Object.entries(POSSIBLE)) {
    const value = launch[name as keyof Launch]
    if (!(value >= least && value <= most))
      throw new RangeError(`${name} ${value} is not possible: ${least} to ${most} is allowed`)
  }
}

/** True when the launch lies where the flight was checked against published figures. */
export function isChecked(launch: Launch): boolean {
  return Object.entries(CHECKED).every(
    ([name, [least, most]]) => launch[name as keyof Launch] >= least && launch[name as keyof Launch] <= most,
  )
}

/** A point of a flight: along the line, above where it was hit from, and beside the line, metres. */
export interface TracePoint {
  alongM: number
  heightM: number
  sideM: number
}
/** Points a step. */
const TRACE_PARTS = 4

const SIZE = 7
const STEPS_A_FLIGHT = 12
const LONGEST_STEP_S = 0.45
/** With wind the first steps are tiny: the wind's profile is steepest at the ground. */
const FIRST_STEP_IN_WIND = 0.005
/** Longer than any ball flies. */
const MOST_STEPS = 40_000
const ROOT_ROUNDS = 60

/** Value at share s of a step of h seconds, from both ends and their slopes: cubic Hermite. */
function hermite(from: number, slopeFrom: number, to: number, slopeTo: number, h: number, s: number): number {
  const s2 = s * s
  const s3 = s2 * s
  return (
    (2 * s3 - 3 * s2 + 1) * from + (s3 - 2 * s2 + s) * h * slopeFrom + (3 * s2 - 2 * s3) * to + (s3 - s2) * h * slopeTo
  )
}

/**
 * Share of the step at which f is 0, between two shares where it has different signs: false position after Illinois.
 */
function rootIn(f: (s: number) => number, low: number, high: number): number {
  let [a, b] = [low, high]
  let [fa, fb] = [f(a), f(b)]
  let side = 0
  for (let round = 0; round < ROOT_ROUNDS && Math.abs(b - a) > 1e-13 && fa !== fb; round++) {
    const s = (a * fb - b * fa) / (fb - fa)
    const fs = f(s)
    if (fs === 0) return s
    if (fs * fb > 0) {
      b = s
      fb = fs
      if (side === -1) fa /= 2
      side = -1
    } else {
      a = s
      fa = fs
      if (side === 1) fb /= 2
      side = 1
    }
  }
  return Math.abs(fa) < Math.abs(fb) ? a : b
}

type Slopes = (state: Float64Array, slope: Float64Array) => void

/** Place, speed and spin of a ball in this air: how fast each changes. */
function slopesOf(launch: Launch, { air, wind }: Conditions): Slopes {
  const up = toRad(launch.launchDeg)
  const out = toRad(launch.azimuthDeg)
  const tilt = toRad(launch.tiltDeg)
  const [sinUp, cosUp, sinOut, cosOut] = [sin(up), cos(up), sin(out), cos(out)]
  // Unit spin axis: level and square to the line, then tilted.
  const nx = cos(tilt) * -sinOut + sin(tilt) * cosOut * sinUp
  const ny = -sin(tilt) * cosUp
  const nz = cos(tilt) * cosOut + sin(tilt) * sinOut * sinUp
  const angle = (wind.clock * Math.PI) / 6
  const windX = -wind.speedMs * cos(angle)
  const windZ = -wind.speedMs * sin(angle)
  const windy = wind.speedMs > 0
  const push = (air.densityKgM3 * Math.PI * BALL_RADIUS_M * BALL_RADIUS_M) / (2 * BALL_KG)
  const perSpeed = (air.densityKgM3 * BALL_DIAMETER_M) / air.viscosityPas
  const decay = (SPIN_DECAY * air.densityKgM3) / SPIN_DECAY_DENSITY_KG_M3 / BALL_RADIUS_M
  return (state, slope) => {
    const share = windy ? windFactor(state[1]!, wind.readAtM, wind.roughnessM) : 0
    const ux = state[3]! - share * windX
    const uy = state[4]!
    const uz = state[5]! - share * windZ
    const cx = ny * uz - nz * uy
    const cy = nz * ux - nx * uz
    const cz = nx * uy - ny * ux
    const across = Math.sqrt(cx * cx + cy * cy + cz * cz)
    const u2 = ux * ux + uy * uy + uz * uz
    const u = Math.sqrt(u2)
    const spinRatio = u2 > 0 ? (state[6]! * BALL_RADIUS_M * across) / u2 : 0
    const drag = push * dragCoefficient(spinRatio, perSpeed * u) * u
    const lift = across > 0 ? (push * liftCoefficient(spinRatio) * u2) / across : 0
    slope[0] = state[3]!
    slope[1] = state[4]!
    slope[2] = state[5]!
    slope[3] = lift * cx - drag * ux
    slope[4] = lift * cy - drag * uy - GRAVITY_MS2
    slope[5] = lift * cz - drag * uz
    slope[6] = -decay * state[6]! * u
  }
}

/** Both ends of a step, and how fast all changes there. */
interface Step {
  from: Float64Array
  to: Float64Array
  slopeFrom: Float64Array
  slopeTo: Float64Array
}

/** Classic fourth-order Runge and Kutta: from one end of a step to the other. */
function stepper(slopes: Slopes): (step: Step, h: number) => void {
  const [mid, k2, k3, k4] = [
    new Float64Array(SIZE),
    new Float64Array(SIZE),
    new Float64Array(SIZE),
    new Float64Array(SIZE),
  ]
  return ({ from, to, slopeFrom, slopeTo }, h) => {
    for (let i = 0; i < SIZE; i++) mid[i] = from[i]! + (h / 2) * slopeFrom[i]!
    slopes(mid, k2)
    for (let i = 0; i < SIZE; i++) mid[i] = from[i]! + (h / 2) * k2[i]!
    slopes(mid, k3)
    for (let i = 0; i < SIZE; i++) mid[i] = from[i]! + h * k3[i]!
    slopes(mid, k4)
    for (let i = 0; i < SIZE; i++) to[i] = from[i]! + (h / 6) * (slopeFrom[i]! + 2 * k2[i]! + 2 * k3[i]! + k4[i]!)
    slopes(to, slopeTo)
  }
}

/** A ball as it leaves the club. */
function startOf({ launchDeg, azimuthDeg, speedMs, spinRpm }: Launch): Float64Array {
  const [up, out] = [toRad(launchDeg), toRad(azimuthDeg)]
  const start = new Float64Array(SIZE)
  const along = speedMs * cos(up)
  start.set([0, 0, 0, along * cos(out), speedMs * sin(up), along * sin(out), rpmToRadS(spinRpm)])
  return start
}

/** How long a step may be: a share of the flight without air. */
function longestStep(vy: number, targetHeightM: number, steps: number): number {
  const vacuumS = (vy + Math.sqrt(Math.max(0, vy * vy - 2 * GRAVITY_MS2 * targetHeightM))) / GRAVITY_MS2
  return Math.min(Math.max(vacuumS, 1e-3) / steps, LONGEST_STEP_S)
}

/**
 * Flies a ball by its launch. Classic fourth-order Runge and Kutta in about a dozen steps; apex and landing are the
 * roots of each step's cubic. Against an integrator of order eight the carry is within 0.02 yd.
 * @param launch checked by `checkLaunch`: NaN and the impossible throw a RangeError
 * @param steps about how many the flight is cut into
 * @param trace filled with points of the way, where one is handed in
 * @returns the flight to the height of the target, or the reason why it does not get there
 * @example fly({ speedMs: 38, launchDeg: 30.7, azimuthDeg: 0, spinRpm: 10_110, tiltDeg: 0 }, NEUTRAL).carryM // => 91.6
 */
export function fly(
  launch: Launch,
  conditions: Conditions,
  steps: number = STEPS_A_FLIGHT,
  trace?: TracePoint[],
): Flight {
  checkLaunch(launch)
  const { wind, targetHeightM } = conditions
  const slopes = slopesOf(launch, conditions)
  const go = stepper(slopes)
  const start = startOf(launch)
  const vy = start[4]!
  const longest = longestStep(vy, targetHeightM, steps)
  let h = wind.speedMs > 0 ? FIRST_STEP_IN_WIND * longest : longest
  const step: Step = {
    from: start,
    to: new Float64Array(SIZE),
    slopeFrom: new Float64Array(SIZE),
    slopeTo: new Float64Array(SIZE),
  }
  slopes(step.from, step.slopeFrom)
  let timeS = 0
  let apexM = vy > 0 ? Number.NaN : 0
  const at = (i: number, s: number) => hermite(step.from[i]!, step.slopeFrom[i]!, step.to[i]!, step.slopeTo[i]!, h, s)
  for (let n = 0; n < MOST_STEPS; n++) {
    go(step, h)
    const [heightM, climbs] = [step.to[1]!, step.to[4]!]
    let falls = 0
    if (Number.isNaN(apexM) && climbs <= 0) {
      falls = rootIn(s => at(4, s), 0, 1)
      apexM = at(1, falls)
      if (apexM < targetHeightM) return { ok: false, reason: 'unreachable' }
    }
    if (trace)
      for (let k = 1; k <= TRACE_PARTS; k++) {
        const s = k / TRACE_PARTS
        trace.push({ alongM: at(0, s), heightM: at(1, s), sideM: at(2, s) })
      }
    if (climbs < 0 && heightM <= targetHeightM) {
      const s = rootIn(share => at(1, share) - targetHeightM, falls, 1)
      const [vx, down, vz] = [at(3, s), at(4, s), at(5, s)]
      return {
        ok: true,
        carryM: at(0, s),
        sideM: at(2, s),
        apexM,
        timeS: timeS + s * h,
        descentDeg: toDeg(atan2(-down, Math.hypot(vx, vz))),
        landSpeedMs: Math.hypot(vx, down, vz),
        landSpinRpm: radSToRpm(at(6, s)),
      }
    }
    timeS += h
    h = Math.min(longest, 2 * h)
    ;[step.from, step.to] = [step.to, step.from]
    ;[step.slopeFrom, step.slopeTo] = [step.slopeTo, step.slopeFrom]
  }
  return { ok: false, reason: 'unreachable' }
}
