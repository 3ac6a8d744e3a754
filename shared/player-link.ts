import type { HandedPage } from './handed-bag'
import type { PublishedChart } from '../core/history/published'
import type { GoRecord, HomeworkRecord } from './schemas/practice'
import type { LinkStrength } from './choices'
import type { OwnBall } from './schemas/player-link'

export interface PlayerLink {
  id: string
  strength: LinkStrength
  createdAtMs: number
  openedAtMs: number | null
}
/** The token is in this answer and nowhere else. */
export interface MadeLink extends PlayerLink {
  token: string
}

/**
 * What the player's phone gets: the name, the chart that was published last, thought-of bags that were handed over,
 * and what the link may do.
 */
export interface LinkView {
  player: string
  strength: LinkStrength
  published: PublishedChart | null
  bags?: HandedPage[]
  /** What the coach set, and what was done of it; missing from what an older server told. */
  homework?: HomeworkRecord[]
  goes?: GoRecord[]
  /** What the coach sent of the last session; missing where nothing was. */
  told?: { atMs: number; lines: string[] }
}

/** What the player's door answers: what it took, what it never will, and why the rest is to wait on the phone. */
export interface OwnBallsTaken {
  taken: string[]
  refused: { id: string; message: string }[]
  full: string | null
}

/** Balls that wait for the coach, oldest first: a page of them, and how many in all. */
export interface WaitingBalls {
  balls: OwnBall[]
  waiting: number
}
