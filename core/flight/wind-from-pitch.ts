import { CALM, windFromParts, type Conditions, type Wind } from './air'
import { straight } from './deliver'
import { fly } from './fly'
import { usualLoftDeg } from './neutral'
import { solveSpeed } from './solve-speed'

/** Up to a gale either way, m/s. */
const MOST_MS = 20
const CLOSE_M = 1e-3
const MOST_ROUNDS = 60
const STEP_MS = 0.25
/** The strike behind a carry differs from the usual one, as a share of what the wind did. Our choice. */
const STRIKE_SHARE = 0.15

export interface PitchedBall {
  /** What the monitor read for calm air, and where the ball pitched, metres. */
  readM: number
  pitchedM: number
  /** Of the club; without it the loft that is usual for the carry. */
  loftDeg?: number
  /** One standard deviation of the two measurements together, metres. */
  errorM: number
}

/** Part of a wind along the line, in the face above 0, where it is read; with one standard deviation. */
export interface WindAlong {
  headMs: number
  sdMs: number
}

/**
 * The wind along the line that made a ball pitch elsewhere than its monitor worked out for calm air.
 * @param today the day's air, and where its wind would be read; its own wind is not looked at
 * @returns null when no wind of up to 20 m/s does that
 * @example windFromPitch({ readM: 57.6, pitchedM: 54.864, loftDeg: 60, errorM: 1 }, NEUTRAL)?.headMs // => 3.61
 */
export function windFromPitch({ readM, pitchedM, loftDeg, errorM }: PitchedBall, today: Conditions): WindAlong | null {
  const loft = loftDeg ?? usualLoftDeg(readM)
  const calm: Wind = { ...CALM, readAtM: today.wind.readAtM, roughnessM: today.wind.roughnessM }
  const solved = solveSpeed(loft, readM, { ...today, wind: calm, targetHeightM: 0 })
  if (!solved.ok) return null
  /** How far a wind in the face lets it pitch; it falls with the wind. */
  const pitches = (headMs: number): number => {
    const wind = windFromParts(headMs, 0, calm)
    const flight = fly(straight(loft, solved.ballSpeedMs), { ...today, wind, targetHeightM: 0 })
    return flight.ok ? flight.carryM : 0
  }
  let [least, most] = [-MOST_MS, MOST_MS]
  if (pitches(least) < pitchedM || pitches(most) > pitchedM) return null
  let headMs = 0
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const off = pitches(headMs) - pitchedM
    if (Math.abs(off) < CLOSE_M) break
    if (off > 0) least = headMs
    else most = headMs
    headMs = (least + most) / 2
  }
  const metresPerMs = Math.abs(pitches(headMs + STEP_MS) - pitches(headMs - STEP_MS)) / (2 * STEP_MS)
  return { headMs, sdMs: Math.hypot(errorM / metresPerMs, STRIKE_SHARE * headMs) }
}
