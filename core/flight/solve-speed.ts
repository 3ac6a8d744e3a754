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
  /** How far beyond, metres; one that never gets up to the target is short by all of it. */
  const off = (v: number): number => {
    const flight = fly(straight(loftDeg, v, own), conditions)
    return flight.ok ? flight.carryM - carryM : -carryM
  }
  let high = within(near, SLOWEST_MS, FASTEST_MS)
  let fHigh = off(high)
  // Too slow to get up to a raised target at all: faster, until it does.
  while (fHigh === -carryM) {
    high *= RISE
    if (high > FASTEST_MS) return { ok: false, reason: 'unreachable' }
    fHigh = off(high)
  }
  if (fHigh < 0) {
    let next = off(1.01 * high)
    if (next > fHigh) {
      while (fHigh < 0) {
        high *= within(1 + (0.9 * -fHigh) / carryM, 1.01, 1.15)
        if (high > FASTEST_MS) return { ok: false, reason: 'beyond' }
        next = off(high)
        if (next < fHigh) return { ok: false, reason: 'beyond' }
        fHigh = next
      }
    } else {
      // On the falling branch: back to the peak, which may lie short of the target.
      while (fHigh < 0) {
        high *= 0.97
        if (high < SLOWEST_MS) return { ok: false, reason: 'unreachable' }
        next = off(high)
        if (next < fHigh) return { ok: false, reason: 'beyond' }
        fHigh = next
      }
    }
  }
  let low = high
  let fLow = fHigh
  while (fLow > 0) {
    low *= within(1 - (0.8 * fLow) / carryM, 0.5, 0.985)
    if (low < SLOWEST_MS / 2) return { ok: false, reason: 'unreachable' }
    fLow = off(low)
    if (fLow > 0) {
      high = low
      fHigh = fLow
    }
  }
  // Modified false position (Illinois): the end that stays twice counts half.
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
  return { ok: false, reason: 'unreachable' }
}
