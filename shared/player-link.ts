import { z } from 'zod'
import { CARRY_MAX_M, CARRY_MIN_M } from '../core/limits'
import type { HandedPage } from './handed-bag'
import type { PublishedChart } from '../core/history/published'
import { METHODS } from '../core/shot/shot'
import type { GoRecord, HomeworkRecord } from './practice'
import { boundedNumber, Id, ClockTime, oneOf } from './text'

/** What a private address may do: `read` shows the published chart, `log` also takes the player's own balls. */
export const LINK_STRENGTHS = ['read', 'log'] as const
export type LinkStrength = (typeof LINK_STRENGTHS)[number]

export const NewLink = z.strictObject({ id: Id, strength: oneOf('Strength', LINK_STRENGTHS) })
export type NewLink = z.infer<typeof NewLink>

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

export const OWN_BALLS_AT_ONCE = 200
/**
 * Most balls that a player may log alone in a day, and most that wait for the coach. Our choice: ten buckets, and a
 * fortnight of them.
 */
export const OWN_BALLS_A_DAY = 500
export const OWN_BALLS_WAITING = 2000
/** So many of those that wait are told at once. */
export const OWN_BALLS_A_PAGE = 50

export const OwnBall = z.strictObject({
  id: Id,
  clubId: Id,
  rungId: Id,
  carryM: boundedNumber('Carry', CARRY_MIN_M, CARRY_MAX_M, ' m'),
  method: oneOf('Method', METHODS),
  hitAtMs: ClockTime('Time'),
})
export type OwnBall = z.infer<typeof OwnBall>

export const OwnBalls = z.strictObject({
  balls: z
    .array(OwnBall, { error: 'Balls must be a list.' })
    .min(1, { error: 'No ball was sent.' })
    .max(OWN_BALLS_AT_ONCE, { error: `At most ${OWN_BALLS_AT_ONCE} balls can be sent at once.` }),
})

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

/** The coach's decision: balls that count from now on, or do not. */
export const OwnBallDecision = z.strictObject({
  ids: z
    .array(Id, { error: 'Balls must be a list of ids.' })
    .min(1, { error: 'No ball was named.' })
    .max(1000, { error: 'At most 1000 balls at once.' }),
  take: z.boolean({ error: 'Taking is yes or no.' }),
})
