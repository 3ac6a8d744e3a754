import { z } from 'zod'
import type { BagFile as CoreBagFile } from '../../core/files/bag-file'
import { CARRY_MAX_M, CARRY_MIN_M, CLUBS_MAX, LABEL_MAX, RUNGS_MAX } from '../../core/limits'
import { rungName, type SwingFlight } from '../../core/swing/scale'
import { SCHOOL_IDS } from '../../core/swing/schools'
import { clubFields, noRepeats, rungFields } from './bag'
import { LEVELS } from '../../core/level'
import { boundedNumber, lineOfText, oneOf } from './text'
import { quoted } from '../text'

/** The bag file of `docs/formats.md`. Keys it does not know are left alone: a later version may add some. */
export const BagFile = z.object({
  format: z.literal('uzzet-bag', {
    error: iss =>
      iss.input === undefined
        ? 'format is missing: "uzzet-bag" is needed.'
        : `format ${quoted(iss.input)} is not "uzzet-bag".`,
  }),
  version: z.literal(1, {
    error: iss =>
      iss.input === undefined ? 'version is missing: 1 is needed.' : `version ${quoted(iss.input)} is not known: 1 is.`,
  }),
  player: z.string().max(200).optional(),
  level: oneOf('level', LEVELS).optional(),
  clubs: z
    .array(z.object({ ...clubFields, name: clubFields.name.optional(), retired: z.boolean().optional() }), {
      error: 'clubs must be a list.',
    })
    .min(1, { error: 'clubs is empty: one club or more is needed.' })
    .max(CLUBS_MAX, { error: `clubs has more than ${CLUBS_MAX}.` })
    .superRefine(noRepeats<{ label: string }>('Club', club => club.label)),
  scale: z.object(
    {
      school: oneOf('school', SCHOOL_IDS),
      rungs: z
        .array(
          z.object({
            ...rungFields,
            cue: rungFields.cue.optional(),
            flight: rungFields.flight.optional(),
            retired: z.boolean().optional(),
          }),
          { error: 'rungs must be a list.' },
        )
        .min(1, { error: 'rungs is empty: one swing length or more is needed.' })
        .max(RUNGS_MAX, { error: `rungs has more than ${RUNGS_MAX}.` })
        .superRefine(
          noRepeats<{ label: string; flight?: SwingFlight }>('Swing length', ({ label, flight = 'normal' }) =>
            rungName({ label, flight }),
          ),
        ),
    },
    { error: 'scale is missing.' },
  ),
  struckOut: z
    .array(z.object({ club: lineOfText('club', LABEL_MAX), swing: lineOfText('swing', LABEL_MAX + 8) }))
    .optional(),
  believed: z
    .array(
      z.object({
        club: lineOfText('club', LABEL_MAX),
        swing: lineOfText('swing', LABEL_MAX + 8),
        carryM: boundedNumber('carryM', CARRY_MIN_M, CARRY_MAX_M, ' m'),
        carryToM: boundedNumber('carryToM', CARRY_MIN_M, CARRY_MAX_M, ' m').optional(),
      }),
    )
    .optional(),
}) satisfies z.ZodType<CoreBagFile>
