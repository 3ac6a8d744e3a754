import type { Firmness } from '../flight/run-out'
import type { AirEntry } from '../flight/session-air'
import type { Readings } from './readings'

export const METHODS = ['monitor', 'laser', 'paces', 'watch', 'guess'] as const
export type Method = typeof METHODS[number]

/** What the coach called the strike. `clean` is the coach's word that the ball counts as it is. */
export const STRIKES = ['clean', 'mishit', 'thin', 'heavy', 'toe', 'heel'] as const
export type Strike = typeof STRIKES[number]

/** One ball, or a pile measured as one, as it was measured. */
export interface Shot {
  id: string
  sessionId: string
  clubId: string
  rungId: string
  carryM: number
  method: Method
  /** Balls in the pile; 1 for a single ball. */
  balls: number
  /** When it was hit, milliseconds since 1970, UTC. */
  hitAtMs: number
  /** Why it does not count, or null when it does. A shot left out stays on record. */
  leftOut: string | null
  /** Null while nobody has called it. */
  strike: Strike | null
  /** How far its landing place lies above (below is negative) where it was hit from, metres; missing is level. */
  heightM?: number
  /** Metres that were taken out for that height; set on the way to the numbers. */
  levelM?: number
  /** Set when `carryM` is to where it lies, on ground of this firmness; missing when it is to where it pitched. */
  lies?: Firmness
  /** What is known of this one measurement's error, one standard deviation, metres; missing takes the usual of its way. */
  errorM?: number
  /** Of a pile: its length along the line of flight, metres. */
  extentM?: number
  /** How far beside the line it pitched, right positive, metres. */
  sideM?: number
  /** What its launch makes of it; missing while nothing is amiss. */
  suspect?: 'mishit' | 'flyer' | 'misread'
  /** What else a device read of it. */
  readings?: Readings
}

/** A range session, as far as it matters to the numbers. */
export interface Session {
  id: string
  startedAtMs: number
  method: Method
  ball: 'own' | 'range'
  /** Air it was hit in, oldest first; none when it was not taken. */
  air?: readonly AirEntry[]
  /** What corrections add in common to its balls, of air, run and kind of ball; sd of ln carry. */
  commonSd?: number
}

/** The shots that count for the number. */
export function counting(shots: readonly Shot[]): Shot[] {
  return shots.filter(shot => shot.leftOut === null)
}
