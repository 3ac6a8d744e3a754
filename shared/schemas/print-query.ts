import { z } from 'zod'
import { AIR_RANGE } from '../../core/flight/air'
import { LABEL_SHEET_IDS, MOST_SKIPPED } from '../label-sheets'
import { boundedNumber, oneOf } from './text'
import { YARDS_MOST } from '../limits'

/** A number in an address is text. */
const asNumber = (schema: z.ZodType<number>) =>
  z.preprocess(value => (typeof value === 'string' && value.trim() !== '' ? Number(value) : value), schema)
const black = z.preprocess(value => value === '1', z.boolean())
const unit = oneOf('Unit', ['yd', 'm']).optional()

export const PrintQuery = z.object({ size: oneOf('Size', ['card', 'a6']).default('card'), unit, black })
export const HomeAirQuery = z.object({
  tempC: asNumber(boundedNumber('Temperature', ...AIR_RANGE.tempC, ' °C')),
  altitudeM: asNumber(boundedNumber('Altitude', ...AIR_RANGE.altitudeM, ' m')),
})
export const SheetQuery = z.object({ unit, black })
export const YardsQuery = z
  .object({
    from: asNumber(boundedNumber('From', 1, 400, '').int({ error: 'From must be a whole number.' })),
    to: asNumber(boundedNumber('To', 1, 400, '').int({ error: 'To must be a whole number.' })),
    unit,
    black,
  })
  .refine(({ from, to }) => to >= from && to - from < YARDS_MOST, {
    path: ['to'],
    error: `From the shorter to the longer, at most ${YARDS_MOST} distances on a page.`,
  })
export const LabelQuery = z.object({
  sheet: oneOf('Sheet', LABEL_SHEET_IDS).default('strips'),
  skip: asNumber(
    boundedNumber('Used labels', 0, MOST_SKIPPED, '').int({ error: 'Used labels must be a whole number.' }),
  ).default(0),
  unit,
  black,
})
