import { z } from 'zod'
import { CARRY_MAX_M, CARRY_MIN_M } from '../../core/limits'
import { METHODS } from '../../core/shot/shot'
import { boundedNumber, Id, ClockTime, oneOf } from './text'
import { LINK_STRENGTHS } from '../choices'
import { OWN_BALLS_AT_ONCE } from '../limits'

export const NewLink = z.strictObject({ id: Id, strength: oneOf('Strength', LINK_STRENGTHS) })
export type NewLink = z.infer<typeof NewLink>

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

/** The coach's decision: balls that count from now on, or do not. */
export const OwnBallDecision = z.strictObject({
  ids: z
    .array(Id, { error: 'Balls must be a list of ids.' })
    .min(1, { error: 'No ball was named.' })
    .max(1000, { error: 'At most 1000 balls at once.' }),
  take: z.boolean({ error: 'Taking is yes or no.' }),
})
