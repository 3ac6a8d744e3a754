import { z } from 'zod'
import {
  CLUBS_MAX,
  CUE_MAX,
  FRACTION_MAX,
  FRACTION_MIN,
  LABEL_MAX,
  LOFT_MAX_DEG,
  LOFT_MIN_DEG,
  NAME_MAX,
  RUNGS_MAX,
} from '../../core/limits'
import { CALLED_SPEED, rungSpeedMs } from '../../core/swing/called-speed'
import { FLIGHTS, rungName } from '../../core/swing/scale'
import { SCHOOL_IDS } from '../../core/swing/schools'
import { mpsToMph } from '../../core/units'
import { boundedNumber, Id, lineOfText, oneOf, Version } from './text'
import { quoted } from '../text'

export const clubFields = {
  label: lineOfText('Label', LABEL_MAX),
  name: lineOfText('Club name', NAME_MAX, { required: false }),
  loftDeg: boundedNumber('Loft', LOFT_MIN_DEG, LOFT_MAX_DEG, '°'),
}

/** A share is stored as a fraction and read in per cent. */
function shareFault({ input }: { input?: unknown }): string {
  const value = typeof input === 'number' ? `${Math.round(input * 100)} %` : quoted(input)
  return `Share of full ${value} is not possible: ${FRACTION_MIN * 100} to ${FRACTION_MAX * 100} % is allowed.`
}

export const rungFields = {
  label: lineOfText('Swing length', LABEL_MAX),
  cue: lineOfText('Cue', CUE_MAX, { required: false }),
  /** Missing from what an older page sent. */
  feels: lineOfText('Feels like', CUE_MAX, { required: false }).optional(),
  school: oneOf('School', SCHOOL_IDS).optional(),
  flight: oneOf('Flight', FLIGHTS),
  fraction: z
    .number({ error: shareFault })
    .min(FRACTION_MIN, { error: shareFault })
    .max(FRACTION_MAX, { error: shareFault })
    .optional(),
}

/** A called speed is told by its name alone. */
function speedFault(label: string): string {
  const [least, most] = [CALLED_SPEED.leastMs, CALLED_SPEED.mostMs].map(ms => Math.round(mpsToMph(ms)))
  return `${quoted(label)} is no club speed: write it like 69 mph or 111 km/h, from ${least} to ${most} mph.`
}

const retired = z.boolean({ error: 'Retired is yes or no.' })

/** Refuses each entry that repeats the name of an earlier one. Case does not tell two names apart. */
export const noRepeats =
  <T>(what: string, nameOf: (entry: T) => string) =>
  (entries: readonly T[], ctx: z.RefinementCtx): void => {
    const seen = new Set<string>()
    entries.forEach((entry, i) => {
      const name = nameOf(entry)
      const key = name.toLowerCase()
      const message = `${what} "${name}" is there twice: each needs a name of its own.`
      if (seen.has(key)) ctx.addIssue({ code: 'custom', path: [i, 'label'], message })
      seen.add(key)
    })
  }

/** One change of a bag made from the board, with an id of its own: sent twice it is made once. */
export const BagStepRecord = z.object({
  id: Id,
  step: z.discriminatedUnion(
    'kind',
    [
      z.object({
        kind: z.literal('add-rung'),
        rung: z.object({ id: Id, ...rungFields, retired }),
        below: Id.nullable(),
      }),
      z.object({ kind: z.literal('drop-rung'), rungId: Id }),
      z.object({ kind: z.literal('rename-rung'), rungId: Id, label: rungFields.label }),
      z.object({
        kind: z.literal('use'),
        clubId: Id,
        rungId: Id,
        used: z.boolean({ error: 'Used is yes or no.' }),
      }),
    ],
    { error: 'Such a change of a bag is not known.' },
  ),
})
export type BagStepRecord = z.infer<typeof BagStepRecord>

/** The whole bag, as it is saved: all or nothing. */
export const BagChange = z
  .object({
    version: Version,
    clubs: z
      .array(z.object({ id: Id, ...clubFields, retired }), { error: 'Clubs must be a list.' })
      .max(CLUBS_MAX, { error: `At most ${CLUBS_MAX} clubs are allowed, retired ones included.` })
      .superRefine(noRepeats<{ label: string }>('Club', club => club.label)),
    scale: z.object(
      {
        school: oneOf('School', SCHOOL_IDS),
        rungs: z
          .array(z.object({ id: Id, ...rungFields, retired }), { error: 'Swing lengths must be a list.' })
          .max(RUNGS_MAX, { error: `At most ${RUNGS_MAX} swing lengths are allowed, retired ones included.` })
          .superRefine(noRepeats('Swing length', rungName)),
      },
      { error: 'The swing scale is missing.' },
    ),
    struckOut: z
      .array(z.object({ clubId: Id, rungId: Id }), { error: 'Stock shots not used must be a list.' })
      .max(CLUBS_MAX * RUNGS_MAX, { error: 'More stock shots are not used than there can be.' }),
  })
  .superRefine((bag, ctx) => {
    bag.struckOut.forEach((cell, i) => {
      if (!bag.clubs.some(c => c.id === cell.clubId))
        ctx.addIssue({
          code: 'custom',
          path: ['struckOut', i, 'clubId'],
          message: 'A stock shot that is not used names a club that is not in the bag.',
        })
      if (!bag.scale.rungs.some(r => r.id === cell.rungId))
        ctx.addIssue({
          code: 'custom',
          path: ['struckOut', i, 'rungId'],
          message: 'A stock shot that is not used names a swing length that is not on the scale.',
        })
    })
    const ids = [...bag.clubs, ...bag.scale.rungs].map(entry => entry.id)
    if (new Set(ids).size < ids.length)
      ctx.addIssue({ code: 'custom', path: ['clubs'], message: 'Two clubs or swing lengths have the same id.' })
  })
export type BagChange = z.infer<typeof BagChange>

/**
 * The bag as it is edited: in the school of club speed a name that calls no speed is asked about. What comes by another
 * way keeps it as a name of the player's own.
 */
export const BagForm = BagChange.superRefine((bag, ctx) => {
  bag.scale.rungs.forEach((rung, i) => {
    const { school, label, retired } = rung
    if (retired || (school ?? bag.scale.school) !== 'speed') return
    if (rungSpeedMs(rung, bag.scale.school) === undefined)
      ctx.addIssue({ code: 'custom', path: ['scale', 'rungs', i, 'label'], message: speedFault(label) })
  })
})
