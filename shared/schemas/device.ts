import { z } from 'zod'
import { NAME_MAX } from '../../core/limits'
import { Id, lineOfText, ClockTime, oneOf } from './text'
import { BALL_KINDS } from '../choices'
import { OWN_BALLS_AT_ONCE } from '../limits'
import { quoted } from '../text'

/** A device that may send balls by itself. */
export const NewDevice = z.object({ id: Id, name: lineOfText('Name', NAME_MAX) })
export type NewDevice = z.infer<typeof NewDevice>

/** What a device's next balls are for: the stock shot chosen on the screen, or nothing. */
export const DeviceAim = z.object({
  at: z.object({ playerId: Id, sessionId: Id, clubId: Id, rungId: Id }).nullable(),
  /**
   * When it was chosen and when this was sent, by this browser's clock: the difference is right even where the clock
   * is not.
   */
  fromMs: ClockTime('Chosen'),
  sentAtMs: ClockTime('Sent'),
})
export type DeviceAim = z.infer<typeof DeviceAim>

/** What becomes of balls that wait: somebody's, or nobody's. */
export const DeviceBallsDecision = z.object({
  ids: z
    .array(Id, { error: 'Ids must be a list.' })
    .min(1, { error: 'No ball was named.' })
    .max(OWN_BALLS_AT_ONCE, { error: `At most ${OWN_BALLS_AT_ONCE} balls can be decided at once.` }),
  /** Which ball it was nobody can read off a figure: range balls fly shorter. */
  to: z.object({ playerId: Id, clubId: Id, rungId: Id, ball: oneOf('Ball', BALL_KINDS) }).nullable(),
})
export type DeviceBallsDecision = z.infer<typeof DeviceBallsDecision>

const Cell = z.union([z.string().max(300), z.number(), z.boolean(), z.null()], {
  error: iss => `${quoted(iss.input)} is not a figure or a short text.`,
})

/** One ball as a device sends it: columns of the shot table, and an id of its own making. */
export const SentShot = z
  .object(
    { id: z.string({ error: 'An id is needed: a UUID that the sender makes.' }).toLowerCase().pipe(Id) },
    { error: 'A shot is a JSON object with columns of the shot table.' },
  )
  .catchall(Cell)
  .refine(shot => Object.keys(shot).length <= 80, { error: 'A shot has more than 80 fields.' })
export type SentShot = z.infer<typeof SentShot>

/**
 * One ball or a list. Too many are refused before any is looked at; an empty list only says that the device is there.
 */
export const SentShots = z.union([z.array(SentShot), SentShot.transform(shot => [shot])])
