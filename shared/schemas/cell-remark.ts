import { z } from 'zod'
import { REMARK_KINDS } from '../../core/history/coach-remarks'
import { CARRY_MAX_M, CARRY_MIN_M } from '../../core/limits'
import { boundedNumber, Id, lineOfText, ClockTime, oneOf } from './text'
import { WHY_MAX } from '../limits'

export const CellRemarkRecord = z
  .strictObject({
    id: Id,
    clubId: Id,
    rungId: Id,
    kind: oneOf('Kind', REMARK_KINDS),
    carryM: boundedNumber('Carry', CARRY_MIN_M, CARRY_MAX_M, ' m').nullable(),
    /** The far end, where a span is believed. */
    carryToM: boundedNumber('Carry', CARRY_MIN_M, CARRY_MAX_M, ' m').optional(),
    why: lineOfText('Why', WHY_MAX, { required: false }),
    saidAtMs: ClockTime('Time'),
    holds: z.boolean({ error: 'Whether it holds is yes or no.' }),
  })
  .superRefine(({ kind, carryM, carryToM, holds }, issues) => {
    const number = kind === 'believed' || kind === 'written'
    if (number && holds && carryM === null)
      issues.addIssue({
        code: 'custom',
        path: ['carryM'],
        message: 'Carry is missing: what is believed or written is a number.',
      })
    if (carryToM !== undefined && (kind !== 'believed' || carryM === null || carryToM <= carryM))
      issues.addIssue({
        code: 'custom',
        path: ['carryToM'],
        message: 'Only what is believed may be a span, and it runs from the shorter carry to the longer.',
      })
    if (!number && carryM !== null)
      issues.addIssue({
        code: 'custom',
        path: ['carryM'],
        message: 'A note and a stock shot that is not used have no number.',
      })
  })
export type CellRemarkRecord = z.infer<typeof CellRemarkRecord>
