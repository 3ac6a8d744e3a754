import { z } from 'zod'
import { CARRY_MAX_M } from '../core/limits'
import { LIE_NAMES, type Lie } from '../core/pick/lies'
import type { Approach, Played } from '../core/rounds/approach'
import { READING_RANGE } from '../core/shot/readings'
import { possibleTime } from './clock'
import { mergedParts } from './merged'
import { boundedNumber, ClockTime, Id, lineOfText, oneOf, Version } from './text'

export const APPROACHES_MAX = 80
export const ROUND_NAME_MAX = 60
/** Rounds of a player that are told at once, newest first. */
export const ROUNDS_TOLD = 200

export const ROUND_KINDS = ['casual', 'competition'] as const

const offLine = boundedNumber('Beside the target', ...READING_RANGE.sideM, ' m')

/** One approach as it was told. Deleting is marking. */
export const ApproachRecord = z.strictObject({
  id: Id,
  hole: boundedNumber('Hole', 1, 36, '').int({ error: 'Hole must be a whole number.' }).optional(),
  chance: z.boolean({ error: 'Chance is yes or no.' }),
  distanceM: boundedNumber('Distance', 1, CARRY_MAX_M, ' m'),
  clubId: Id.optional(),
  rungId: Id.optional(),
  lie: oneOf('Lie', LIE_NAMES as [Lie, ...Lie[]]).optional(),
  offM: boundedNumber('Past the target', -CARRY_MAX_M, CARRY_MAX_M, ' m').optional(),
  sideM: offLine.optional(),
  penalty: boundedNumber('Penalty', 0, 4, ' strokes').int({ error: 'Penalty is whole strokes.' }).optional(),
  errorM: boundedNumber('Error of the distance', 0, CARRY_MAX_M, ' m').optional(),
  tee: z.union([z.literal(3), z.literal(4)], { error: 'Tee is that of a par 3 or a par 4.' }).optional(),
  gone: z.literal(true, { error: 'Gone is yes or missing.' }).optional(),
  version: Version,
}) satisfies z.ZodType<Approach>
export type ApproachRecord = z.infer<typeof ApproachRecord>

/** A round, or the approaches of one. */
export const RoundRecord = z.strictObject({
  id: Id,
  name: lineOfText('Name', ROUND_NAME_MAX, { required: false }),
  kind: oneOf('Kind', ROUND_KINDS),
  playedAtMs: ClockTime('Day'),
  approaches: z
    .array(ApproachRecord, { error: 'Approaches must be a list.' })
    .max(APPROACHES_MAX, { error: `At most ${APPROACHES_MAX} approaches are allowed in one round.` }),
  /** The player told it, and the coach has not nodded yet: it counts for nothing. */
  waiting: z.literal(true, { error: 'Waiting is yes or missing.' }).optional(),
  gone: z.boolean({ error: 'Gone is yes or no.' }),
  version: Version,
})
export type RoundRecord = z.infer<typeof RoundRecord>

/** Approaches that stand, in the order they were told. */
export const approachesOf = ({ approaches }: Pick<RoundRecord, 'approaches'>): ApproachRecord[] =>
  approaches.filter(({ gone }) => !gone)

/** So many rounds of a player may wait for the coach. */
export const ROUNDS_WAITING = 20

/** Rounds that stand, in the order they were played, to be counted. */
export const playedOf = (rounds: readonly RoundRecord[]): Played[] =>
  rounds
    .filter(({ gone, waiting }) => !gone && !waiting)
    .sort((a, b) => a.playedAtMs - b.playedAtMs || (a.id < b.id ? -1 : 1))
    .map(round => ({ approaches: approachesOf(round) }))

/** Two states of one round put together, so that no device takes away another's approach. */
export function mergedRound(known: RoundRecord, sent: RoundRecord): RoundRecord {
  const head = sent.version >= known.version ? sent : known
  const version = Math.max(known.version, sent.version)
  return { ...head, approaches: mergedParts(known.approaches, sent.approaches), version }
}

/** A round on a day that can be. */
export const roundTimeRight = (round: RoundRecord, known: RoundRecord | undefined, nowMs: number): RoundRecord => ({
  ...round,
  playedAtMs: possibleTime(round.playedAtMs, known?.playedAtMs, nowMs),
})
