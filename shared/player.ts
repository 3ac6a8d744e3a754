import type { Hand } from '../core/shot/hand'
import type { Finding } from '../core/gaps/flag'
import type { AcademyThresholds, Guardian, PlayerFields, Thresholds } from './schemas/player'

/**
 * What an academy that begins in metres judges by: the usual figures are round in yards, these in metres. Kept as
 * lengths, so that no verdict changes with the unit. The acceptable leave goes by the player's level, as in yards.
 */
export const ROUND_IN_METRES: AcademyThresholds = {
  widestStepM: 11,
  closestM: 4,
  withinM: 3,
  unevenM: 4,
  floorM: 45,
}

/** True while somebody's agreement is asked for and not there: nothing of the player is shared by then. */
export const isConsentOpen = ({ guardian }: { guardian?: Guardian | null }): boolean =>
  guardian != null && guardian.agreedAtMs === null

export interface Player extends PlayerFields {
  id: string
  hand: Hand
  thresholds: Thresholds
  archived: boolean
  version: number
  /** Whose player it is; null where nobody said. */
  coachId: string | null
}

/** What the list tells of a player's chart. */
export interface PlayerSummary {
  /** What it was worked out from; another stamp means that something has changed since. */
  stamp: string
  hit: number
  inUse: number
  cellsWithin: number
  withinM: number
  goodEnough: boolean
  /** Flags that ask something: said, no asset, not settled by an answer. */
  flags: number
  /** Those that matter most, and what the stock shots they speak of are called, by `cellKey`. */
  open: Finding[]
  names: Record<string, { club: string; swing: string }>
  retestDueMs: number | null
}

/** One line of the list of players. */
export interface PlayerLine extends Player {
  clubs: number
  school: string | null
  balls: number
  lastHitMs: number | null
  /** Null while it is being worked out, and without a bag or a ball. */
  summary: PlayerSummary | null
}
