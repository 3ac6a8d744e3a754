import { z } from 'zod'
import { CARRY_MAX_M, CLUBS_MAX, LABEL_MAX, LOFT_MAX_DEG, LOFT_MIN_DEG, RUNGS_MAX } from '../../core/limits'
import { DISTANCE_UNITS } from '../../core/units'
import { boundedNumber, lineOfText, oneOf } from './text'

const FLAGS_MAX = 100
const metres = (what: string) => boundedNumber(what, 0, CARRY_MAX_M, ' m')
const sum = z.strictObject({
  within: boundedNumber('Covered', 0, CARRY_MAX_M * 2, ''),
  targets: boundedNumber('Targets', 1, CARRY_MAX_M * 2, ''),
  meanM: metres('Mean leave'),
  worstAtM: metres('Worst'),
  worstLeaveM: metres('Worst leave'),
})
const flags = z
  .array(lineOfText('Flag', 200), { error: 'Flags must be a list.' })
  .max(FLAGS_MAX, { error: `More than ${FLAGS_MAX} flags.` })
const loft = (what: string) => boundedNumber(what, LOFT_MIN_DEG, LOFT_MAX_DEG, '°')

/**
 * A thought-of bag as the player gets it: figures as they were when it was handed over, so that it says later what the
 * coach said then. Sentences about flags stand in the coach's unit, which they name.
 */
export const HandedBag = z.strictObject({
  /** What the targets are counted in, and the flags said in. */
  unit: oneOf('Unit', DISTANCE_UNITS),
  /** `wasDeg` is the loft today, null for a club that is not owned. */
  clubs: z
    .array(
      z.strictObject({
        label: lineOfText('Label', LABEL_MAX),
        loftDeg: loft('Loft'),
        wasDeg: loft('Loft today').nullable(),
      }),
    )
    .min(1, { error: 'No club is left: one or more is needed.' })
    .max(CLUBS_MAX, { error: `More than ${CLUBS_MAX} clubs.` }),
  left: z.array(lineOfText('Label', LABEL_MAX)).max(CLUBS_MAX, { error: `More than ${CLUBS_MAX} clubs.` }),
  /** Longest first. `hit` when balls of it were measured and the club is as it was. */
  shots: z
    .array(
      z.strictObject({
        name: lineOfText('Stock shot', 60),
        carryM: metres('Carry'),
        hit: z.boolean({ error: 'Hit is yes or no.' }),
      }),
    )
    .min(1, { error: 'No stock shot has a number.' })
    .max(CLUBS_MAX * 2 * RUNGS_MAX, { error: 'Too many stock shots.' }),
  lineM: metres('Acceptable leave'),
  before: sum,
  after: sum,
  gone: flags,
  fresh: flags,
  stay: flags,
})
export type HandedBag = z.infer<typeof HandedBag>

/** Handing over, or taking back. */
export const HandOver = z.strictObject({ page: HandedBag.nullable() })
export type HandOver = z.infer<typeof HandOver>
