import { z } from 'zod'
import { ClockTime, oneOf } from './text'

const asMoment = (what: string) =>
  z.preprocess(value => (typeof value === 'string' && value.trim() !== '' ? Number(value) : value), ClockTime(what))

export const ReviewQuery = z
  .object({
    from: asMoment('From'),
    to: asMoment('To'),
    unit: oneOf('Unit', ['yd', 'm']).optional(),
    black: z.preprocess(value => value === '1', z.boolean()),
  })
  .refine(({ from, to }) => from < to, { path: ['to'], error: 'The period must end after it begins.' })
