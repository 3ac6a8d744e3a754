import type { Firmness } from '../flight/run-out'
import type { AirEntry } from '../flight/session-air'
import type { CarryAir } from './carry-air'
import type { Readings } from './readings'

export const METHODS = ['monitor', 'laser', 'paces', 'watch', 'guess'] as const
export type Method = (typeof METHODS)[number]

/** What the coach called the strike. `clean` is the coach's word that the ball counts as it is. */
export const STRIKES = ['clean', 'mishit', 'thin', 'heavy', 'toe', 'heel', 'flyer'] as const
export type Strike = (typeof STRIKES)[number]

/**
 * How the coach saw the face at the strike: open pushes the ball and takes carry away, closed pulls it and adds some.
 * Such a ball counts all the same.
 */
export const FACES = ['open', 'closed'] as const
export type Face = (typeof FACES)[number]

/** A strike that the coach called with a word that leaves nothing open: the ball is out of the number at once. */
const OUT: readonly (Strike | null)[] = ['mishit', 'flyer']

/**
 * Whether a ball counts for the number: nobody left it out, and the coach did not call it a mishit or a flyer.
 * @example doesCount({ leftOut: null, strike: 'flyer' }) // => false
 */
export const doesCount = ({ leftOut, strike }: Pick<AnyShot, 'leftOut' | 'strike'>): boolean =>
  leftOut === null && !OUT.includes(strike)

/** A target that was called before the ball was hit, and by how much more or less of the stock shot it was to be. */
export interface Called {
  /** Where it was to pitch, metres. */
  targetM: number
  /** Above 0 is plus, below minus, metres; 0 is the stock shot as it is. */
  plusM: number
}

/**
 * How far a shot has come from the tape to the chart. `measured` is what is stored; `pitched`, its carry is to where it
 * pitched; `level`, as on level ground; `still`, out of wind and air; `called`, at the club speed that was called;
 * `neutral`, as of the ball one plays: what the model takes. Each correction takes the stage before it and gives the
 * next, so that none is made twice.
 */
export type Stage = 'measured' | 'pitched' | 'level' | 'still' | 'called' | 'neutral'

/** One ball, or a pile measured as one, at a stage. */
export interface ShotAt<S extends Stage> {
  /** Known to the compiler alone. */
  readonly stage?: S
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
  /**
   * What is known of this one measurement's error, one standard deviation, metres; missing takes the usual of its
   * way.
   */
  errorM?: number
  /** Of a pile: its length along the line of flight, metres. */
  extentM?: number
  /** How far beside the line it pitched, right positive, metres. */
  sideM?: number
  /** How much more (below 0: less) than the stock shot was called, metres; missing is the stock shot as it is. */
  plusM?: number
  /** What its launch makes of it; missing while nothing is amiss. */
  suspect?: 'mishit' | 'flyer' | 'misread'
  /** What else a device read of it. */
  readings?: Readings
}

/** As it was measured, and as it is kept. */
export type Shot = ShotAt<'measured'>
/** What the numbers are made from. */
export type NeutralShot = ShotAt<'neutral'>
/** Where the stage does not matter. */
export type AnyShot = ShotAt<Stage>

/** A range session, as far as it matters to the numbers. */
export interface Session {
  id: string
  startedAtMs: number
  method: Method
  ball: 'own' | 'range'
  /** Air it was hit in, oldest first; none when it was not taken. */
  air?: readonly AirEntry[]
  /** Missing is as it flew. */
  carryAir?: CarryAir
  /** What corrections add in common to its balls, of air, run and kind of ball; sd of ln carry. */
  commonSd?: number
  /** Of that, the doubt about what range balls lose at 100 yd: the same in every session that has it. */
  lossSd?: number
}

/** The shots that count for the number. */
export function counting<S extends AnyShot>(shots: readonly S[]): S[] {
  return shots.filter(doesCount)
}

/** The session that began last; null without one. */
export const newestSession = (sessions: readonly Session[]): Session | null =>
  sessions.reduce<Session | null>(
    (last, session) => (last && last.startedAtMs > session.startedAtMs ? last : session),
    null,
  )
