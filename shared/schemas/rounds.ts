import { z } from 'zod'
import { CARRY_MAX_M } from '../../core/limits'
import { LIE_NAMES, type Lie } from '../../core/pick/lies'
import type { Approach } from '../../core/rounds/approach'
import { READING_RANGE } from '../../core/shot/readings'
import { boundedNumber, ClockTime, Id, lineOfText, oneOf, Version } from './text'
import { APPROACHES_MAX, ROUND_NAME_MAX } from '../limits'
import { ROUND_KINDS } from '../choices'

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
