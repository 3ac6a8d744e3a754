import { z } from 'zod'
import {
  CARRY_MAX_M,
  CARRY_MIN_M,
  CLUBS_MAX,
  FRACTION_MAX,
  FRACTION_MIN,
  GRID_LOFT_MAX_DEG,
  GRID_LOFT_MIN_DEG,
  LABEL_MAX,
  RUNGS_MAX,
} from '../../core/limits'
import type { WhatIf } from '../../core/what-if/thought-of'
import { boundedNumber, Id, lineOfText } from './text'
import { WHAT_IF_NAME_MAX } from '../limits'

const CELLS_MAX = CLUBS_MAX * RUNGS_MAX
const Name = lineOfText('Id', 60)
const cell = { clubId: Name, rungId: Name }

/** A bag that is only thought of, as it is kept and as it stands in an address. */
export const WhatIfBody = z.strictObject({
  clubs: z
    .array(
      z.strictObject({
        id: Name,
        from: Name.nullable(),
        label: lineOfText('Label', LABEL_MAX),
        loftDeg: boundedNumber('Loft', GRID_LOFT_MIN_DEG, GRID_LOFT_MAX_DEG, '°'),
      }),
      { error: 'Clubs must be a list.' },
    )
    .min(1, { error: 'No club is left: one or more is needed.' })
    .max(CLUBS_MAX, { error: `More than ${CLUBS_MAX} clubs.` }),
  rungs: z
    .array(Name, { error: 'Swing lengths must be a list.' })
    .min(1, { error: 'No swing length is left: one or more is needed.' })
    .max(2 * RUNGS_MAX, { error: 'Too many swing lengths.' }),
  newRungs: z
    .array(
      z.strictObject({
        id: Name,
        label: lineOfText('Label', 60),
        fraction: boundedNumber('Share of full', FRACTION_MIN, FRACTION_MAX, ''),
      }),
    )
    .max(RUNGS_MAX),
  struckOut: z.array(z.strictObject(cell)).max(CELLS_MAX),
  moved: z
    .array(z.strictObject({ ...cell, carryM: boundedNumber('Carry', CARRY_MIN_M, CARRY_MAX_M, ' m') }))
    .max(CELLS_MAX),
}) satisfies z.ZodType<WhatIf>
export const NewWhatIf = z.strictObject({ id: Id, name: lineOfText('Name', WHAT_IF_NAME_MAX), body: WhatIfBody })
export type NewWhatIf = z.infer<typeof NewWhatIf>
