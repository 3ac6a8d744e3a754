import { exp, ln } from '../stats/exact'
import type { Conditions } from './air'
import { straight, USUAL_STRIKE, type OwnStrike } from './deliver'
import { fly } from './fly'

/** `beyond`: no strike of this loft carries so far in this wind. `unreachable`: none comes down there. */
export type Solved = { ok: true; ballSpeedMs: number } | { ok: false; reason: 'beyond' | 'unreachable' }

const CLOSE_M = 1e-4
const FASTEST_MS = 75
const SLOWEST_MS = 1
/** Steps by which the speed is raised until a ball gets up to a raised target. */
const RISE = 1.05
const MOST_ROUNDS = 80
const SMALLEST_BRACKET = 1e-9

const within = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value))

/** Within about an eighth of the speed, 10 to 160 yd and 32 to 64°. Fitted. */
function guessMs(loftDeg: number, carryM: number): number {
  const l = ln(carryM)
  const loft = loftDeg - 50
  return exp(1.63177 + 0.228062 * l + 0.0481124 * l * l - 0.00113255 * loft + 4.28554e-5 * loft * loft)
}

/** How far beyond the target a ball of this speed comes down, metres; all of the carry short where it never gets up. */
type Off = (speedMs: number) => number
/** A speed and how far off it ends. */
interface Tried {
  v: number
  f: number
}
type None = Extract<Solved, { ok: false }>
const none = (reason: None['reason']): None => ({ ok: false, reason })

/** Faster until the ball gets up to a raised target at all. */
function gettingUp(off: Off, from: number, carryM: number): Tried | None {
  let v = from
  let f = off(v)
  while (f === -carryM) {
    v *= RISE
    if (v > FASTEST_MS) return none('unreachable')
    f = off(v)
  }
  return { v, f }
}

/** From a ball that is short to one that is long: faster on the rising branch, back to the peak on the falling one. */
function longEnough(off: Off, short: Tried, carryM: number): Tried | None {
  let { v, f } = short
  const rising = off(1.01 * v) > f
  while (f < 0) {
    v *= rising ? within(1 + (0.9 * -f) / carryM, 1.01, 1.15) : 0.97
    if (v > FASTEST_MS) return none('beyond')
    if (v < SLOWEST_MS) return none('unreachable')
    const next = off(v)
    // Past the peak, which lies short of the target.
    if (next < f) return none('beyond')
    f = next
  }
  return { v, f }
}

/** From a ball that is long to two on either side of the target. */
function bracket(off: Off, long: Tried, carryM: number): { low: Tried; high: Tried } | None {
  let high = long
  let low = long
  while (low.f > 0) {
    const v = low.v * within(1 - (0.8 * low.f) / carryM, 0.5, 0.985)
    if (v < SLOWEST_MS / 2) return none('unreachable')
    low = { v, f: off(v) }
    if (low.f > 0) high = low
  }
  return { low, high }
}

/** Modified false position (Illinois): the end that stays twice counts half. */
function between(off: Off, ends: { low: Tried; high: Tried }): Solved {
  let { v: low, f: fLow } = ends.low
  let { v: high, f: fHigh } = ends.high
  let side = 0
  for (let round = 0; round < MOST_ROUNDS; round++) {
    if (Math.abs(fLow) < CLOSE_M) return { ok: true, ballSpeedMs: low }
    if (Math.abs(fHigh) < CLOSE_M && side === 0) return { ok: true, ballSpeedMs: high }
    if (high - low < SMALLEST_BRACKET) break
    const v = (low * fHigh - high * fLow) / (fHigh - fLow)
    const f = off(v)
    if (Math.abs(f) < CLOSE_M) return { ok: true, ballSpeedMs: v }
    if (f > 0) {
      high = v
      fHigh = f
      if (side === 1) fLow /= 2
      side = 1
    } else {
      low = v
      fLow = f
      if (side === -1) fHigh /= 2
      side = -1
    }
  }
  return none('unreachable')
}

/**
 * The smallest ball speed that carries so far with a clean strike of this loft. In a strong headwind more speed may
 * carry less: the rising branch is meant.
 * @param carryM to the height of the target
 * @param near where to begin to look, m/s: another day's answer saves half the flights
 * @returns the speed, to a tenth of a millimetre of carry, or the reason why there is none
 * @throws RangeError for a carry that is not above 0
 * @example solveSpeed(56, 91.44, NEUTRAL).ballSpeedMs // => 37.957
 */
export function solveSpeed(
  loftDeg: number,
  carryM: number,
  conditions: Conditions,
  own: OwnStrike = USUAL_STRIKE,
  near: number = guessMs(loftDeg, carryM),
): Solved {
  if (!(carryM > 0 && carryM < 1000))
    throw new RangeError(`carryM ${carryM} is not possible: above 0 and below 1000 is allowed`)
  const off: Off = v => {
    const flight = fly(straight(loftDeg, v, own), conditions)
    return flight.ok ? flight.carryM - carryM : -carryM
  }
  const up = gettingUp(off, within(near, SLOWEST_MS, FASTEST_MS), carryM)
  if ('ok' in up) return up
  const long = up.f < 0 ? longEnough(off, up, carryM) : up
  if ('ok' in long) return long
  const ends = bracket(off, long, carryM)
  return 'ok' in ends ? ends : between(off, ends)
}
