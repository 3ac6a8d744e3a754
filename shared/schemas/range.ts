import { z } from 'zod'
import { AIR_RANGE } from '../../core/flight/air'
import { CARRY_MAX_M, HEIGHT_RANGE_M } from '../../core/limits'
import { isPossibleHeight } from '../../core/shot/landing-height'
import { FIRMNESSES, TARGET_KINDS } from '../choices'
import { heightFault } from './session'
import { LABEL_LINE, TARGETS_MAX } from '../limits'
import { boundedNumber, Id, lineOfText, oneOf, Version } from './text'

/** Something to guess against or to aim at, as it was lasered from the tee. */
export const RangeTarget = z
  .strictObject({
    id: Id,
    name: lineOfText('Name', LABEL_LINE),
    kind: oneOf('Kind', TARGET_KINDS),
    distanceM: boundedNumber('Distance', 1, CARRY_MAX_M, ' m'),
    /** Above the tee. */
    heightM: boundedNumber('Height', ...HEIGHT_RANGE_M, ' m'),
    /** Right of the middle of the range, from the tee. */
    rightDeg: boundedNumber('Direction', -80, 80, '°'),
  })
  .superRefine(({ distanceM, heightM }, issues) => {
    if (!isPossibleHeight(distanceM, heightM))
      issues.addIssue({ code: 'custom', path: ['heightM'], message: heightFault(distanceM, heightM) })
  })
export type RangeTarget = z.infer<typeof RangeTarget>

/** A range, kept once and used for ever. */
export const RangeRecord = z.object({
  id: Id,
  name: lineOfText('Name', LABEL_LINE),
  altitudeM: boundedNumber('Altitude', ...AIR_RANGE.altitudeM, ' m'),
  bearingDeg: boundedNumber('Bearing', 0, 360, '°').nullable(),
  firmness: oneOf('Ground', FIRMNESSES),
  targets: z
    .array(RangeTarget, { error: 'Targets must be a list.' })
    .max(TARGETS_MAX, { error: `At most ${TARGETS_MAX} signs and targets can be kept.` })
    .superRefine((targets, issues) =>
      targets.forEach((target, i) => {
        if (targets.findIndex(other => other.name.toLowerCase() === target.name.toLowerCase()) < i)
          issues.addIssue({
            code: 'custom',
            path: [i, 'name'],
            message: `"${target.name}" is there twice: each needs a name of its own.`,
          })
      }),
    ),
  archived: z.boolean({ error: 'Archived is yes or no.' }),
  version: Version,
})
export type RangeRecord = z.infer<typeof RangeRecord>

/** Guesses against a sign are counted anew. */
export const SignRecount = z.object({ signId: Id })
