import { z } from 'zod'
import { ANSWERS, type FlagAnswer } from '../../core/gaps/answers'
import { FLAG_RULES } from '../../core/gaps/flags'
import { Id, lineOfText, ClockTime, oneOf } from './text'
import { ANSWER_NOTE_MAX } from '../limits'

/** More stock shots than a grid has. */
const CELLS_MAX = 600

const LONGEST_MS = 2 * 366 * 86_400_000

const figure = (what: string) => z.number({ error: `${what} is not a number.` })

/** A coach's answer to a flag, with what the flag said. */
export const FlagAnswerRecord = z
  .strictObject({
    id: Id,
    flag: oneOf('Flag', FLAG_RULES.map(rule => rule.meta.id) as [string, ...string[]]),
    variant: lineOfText('Variant', 20).optional(),
    cells: z
      .array(z.strictObject({ clubId: Id, rungId: Id }), { error: 'Stock shots must be a list.' })
      .max(CELLS_MAX, { error: `More than ${CELLS_MAX} stock shots.` }),
    fromM: figure('From'),
    toM: figure('To'),
    figure: figure('Figure'),
    answer: oneOf('Answer', ANSWERS),
    untilMs: z
      .number({ error: 'Until must be a time in milliseconds.' })
      .int({ error: 'Until must be a time in whole milliseconds.' })
      .refine(ms => ms <= Date.now() + LONGEST_MS, { error: 'Until lies more than two years ahead.' })
      .nullable(),
    note: lineOfText('Note', ANSWER_NOTE_MAX, { required: false }),
    saidAtMs: ClockTime('Time'),
    holds: z.boolean({ error: 'Whether it holds is yes or no.' }),
  })
  .superRefine(({ answer, untilMs, holds }, issues) => {
    if (holds && (answer === 'working') !== (untilMs !== null))
      issues.addIssue({
        code: 'custom',
        path: ['untilMs'],
        message:
          answer === 'working' ? 'Until is missing: what is worked on has a day.' : 'Only what is worked on has a day.',
      })
  }) satisfies z.ZodType<FlagAnswer>
export type FlagAnswerRecord = z.infer<typeof FlagAnswerRecord>
