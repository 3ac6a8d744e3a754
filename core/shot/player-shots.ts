import type { Bag } from '../bag/bag'
import type { Level } from '../level'
import type { ChangeKind } from '../model/constants'
import type { Session, ShotAt, Stage } from './shot'

/** A player's record, its shots at a stage. */
export interface PlayerShotsAt<S extends Stage> {
  bag: Bag
  sessions: readonly Session[]
  shots: readonly ShotAt<S>[]
  level: Level
  /** Moments from which on the numbers may be others, as the coach marked them: the first of a day. */
  changes?: readonly { atMs: number; kind: ChangeKind }[]
  /** The moment it is looked at, milliseconds since 1970: only its day (UTC) matters. */
  nowMs: number
}

/** As it is kept. */
export type PlayerShots = PlayerShotsAt<'measured'>
/** As the numbers are made from it. */
export type NeutralPlayer = PlayerShotsAt<'neutral'>

const DAY_MS = 86_400_000

/** The day a moment lies in, counted from 1970, UTC. @example dayOf(86_400_000) // => 1 */
export const dayOf = (ms: number) => Math.floor(ms / DAY_MS)
