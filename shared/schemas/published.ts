import { z } from 'zod'
import {
  CARRY_MAX_M,
  CLUBS_MAX,
  COURSE_SCATTER_RANGE,
  PICK_RULES_MAX,
  PLUS_WORTH_RANGE,
  RUNGS_MAX,
} from '../../core/limits'
import { HABITS, PUBLISHED_WHICH, type PublishedChart } from '../../core/history/published'
import { LEVELS } from '../../core/level'
import { FIRMNESSES } from '../choices'
import { boundedNumber, ClockTime, Id, lineOfText, oneOf } from './text'
import { PUBLISHED_NOTE_MAX } from '../limits'

export const NewPublished = z.strictObject({
  id: Id,
  unit: oneOf('Unit', ['yd', 'm']),
  note: lineOfText('Note', PUBLISHED_NOTE_MAX, { required: false }),
  /** Missing from what an older page sends. */
  which: oneOf('Numbers', PUBLISHED_WHICH).default('well-predicted'),
})
export type NewPublished = z.infer<typeof NewPublished>

/** Longer than any distance that is read, in either unit. */
const FIGURE_MAX = 2 * CARRY_MAX_M
const Figure = z.strictObject({
  yd: boundedNumber('Yards', 0, FIGURE_MAX, ' yd'),
  m: boundedNumber('Metres', 0, FIGURE_MAX, ' m'),
})
const number = (what: string) => z.number({ error: `${what} must be a number.` })
const share = (what: string) => boundedNumber(what, 0, 1, '')
const cell = { clubId: Id, rungId: Id }
const label = lineOfText('Label', 120, { required: false })
const CHANGED_MAX = 4000

/** A published chart as it comes back from a file. */
export const PublishedChartRecord = z.strictObject({
  format: z.literal('uzzet-published'),
  version: z.literal(1),
  number: boundedNumber('Number', 1, 1e6, '').int({ error: 'Number must be a whole number.' }),
  publishedAtMs: ClockTime('Published'),
  unit: oneOf('Unit', ['yd', 'm']),
  air: oneOf('Air', ['neutral', 'as measured']),
  totalOn: oneOf('Ground', FIRMNESSES).optional(),
  clubs: z
    .array(z.strictObject({ id: Id, label, name: label, loftDeg: boundedNumber('Loft', 0, 90, '°') }))
    .max(CLUBS_MAX),
  swings: z.array(z.strictObject({ id: Id, label, cue: label })).max(RUNGS_MAX),
  cells: z
    .array(
      z.strictObject({
        ...cell,
        club: label,
        swing: label,
        kind: oneOf('Kind', ['measured', 'predicted', 'written', 'struck-out', 'unhit']),
        carry: Figure.nullable(),
        total: Figure.optional(),
        plusMinus: Figure.nullable(),
        window: z.tuple([Figure, Figure]).nullable(),
        balls: number('Balls'),
        modelM: number('Carry').nullable(),
        lnVariance: number('Variance').nullable(),
        pattern: z
          .strictObject({
            longSdM: number('Spread'),
            sideBiasM: number('Bias').optional(),
            sideSdM: number('Spread').optional(),
            sideTold: z.strictObject({ balls: number('Balls'), by: z.enum(['club', 'player']) }).optional(),
            own: z.strictObject({ launchOffDeg: number('Launch'), spinShare: number('Spin') }).optional(),
          })
          .optional(),
      }),
    )
    .max(CLUBS_MAX * RUNGS_MAX),
  note: lineOfText('Note', PUBLISHED_NOTE_MAX, { required: false }),
  changed: z.string().max(CHANGED_MAX),
  level: oneOf('Level', LEVELS).optional(),
  mishitShare: share('Mishits').optional(),
  flyerShare: share('Flyers').optional(),
  plusWorth: boundedNumber('Plus', ...PLUS_WORTH_RANGE, ' times').optional(),
  pick: z
    .strictObject({
      habit: oneOf('Habit', HABITS),
      courseScatter: boundedNumber('Course scatter', ...COURSE_SCATTER_RANGE, ' times').optional(),
      rules: z.array(z.strictObject({ ...cell, fromM: number('From'), toM: number('To') })).max(PICK_RULES_MAX),
      home: z.strictObject({ tempC: number('Temperature'), altitudeM: number('Altitude') }).optional(),
    })
    .optional(),
  served: z
    .array(
      z.strictObject({
        atM: number('Target'),
        shots: z.array(z.strictObject({ ...cell, leaveM: number('Leave'), balls: number('Balls') })),
      }),
    )
    .max(500)
    .optional(),
  retestDueMs: ClockTime('Retest').optional(),
}) satisfies z.ZodType<PublishedChart>
