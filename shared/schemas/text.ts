import './plain-schemas'
import { z } from 'zod'
import { isWholeText } from '../../core/cut'
import { quoted } from '../text'

/**
 * One line of text: trimmed, bounded, without control characters.
 * @param what what it is called in the error: "Name"
 */
export function lineOfText(what: string, max: number, { required = true } = {}) {
  return z
    .string({
      error: iss => (iss.input === undefined ? `${what} is missing.` : `${what} ${quoted(iss.input)} is not text.`),
    })
    .trim()
    .superRefine((text, ctx) => {
      if (required && text.length === 0) ctx.addIssue(`${what} is empty: give 1 to ${max} characters.`)
      if (text.length > max)
        ctx.addIssue(`${what} ${quoted(text)} has ${text.length} characters: at most ${max} are allowed.`)
      if (!isWholeText(text)) ctx.addIssue(`${what} ${quoted(text)} holds half a character: use plain text.`)
      // eslint-disable-next-line no-control-regex
      if (/[\u0000-\u001F\u007F]/.test(text))
        ctx.addIssue(`${what} holds a line break or control character: use one line of plain text.`)
    })
}

/** An id made where the thing is made: a UUID in lower case. */
export const Id = z
  .string({ error: iss => `${quoted(iss.input)} is not an id: a UUID is needed.` })
  .regex(/^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/, {
    error: iss => `${quoted(iss.input)} is not an id: a UUID in lower case is needed.`,
  })

/** As many changes as a record can have: what the database counts up to. */
const VERSION_MAX = 2 ** 31 - 1
const versionFault = (iss: { input?: unknown }) =>
  `Version ${quoted(iss.input)} is not a whole number from 1 to ${VERSION_MAX}.`

/** Counts changes of a record, so that an edit of a stale copy is noticed. */
export const Version = z
  .number({ error: versionFault })
  .int({ error: versionFault })
  .min(1, { error: versionFault })
  .max(VERSION_MAX, { error: versionFault })

/** A number within bounds, with one sentence for all that can be wrong with it. */
export function boundedNumber(what: string, min: number, max: number, unit: string) {
  const error = (iss: { input?: unknown }) =>
    iss.input === undefined || iss.input === null
      ? `${what} is missing: give ${min} to ${max}${unit}.`
      : `${what} ${typeof iss.input === 'number' ? `${iss.input}${unit}` : quoted(iss.input)} ` +
        `is not possible: ${min} to ${max}${unit} is allowed.`
  return z.number({ error }).min(min, { error }).max(max, { error })
}

/** One of a list, the list named in the error. */
export function oneOf<const T extends readonly [string, ...string[]]>(what: string, values: T) {
  return z.enum(values, { error: iss => `${what} ${quoted(iss.input)} is not known: one of ${values.join(', ')}.` })
}

/** Furthest from 1970 that a time can lie, either way. (ECMA-262, Time Values.) */
const FURTHEST_MS = 8.64e15

/** Milliseconds by some device's own clock, which may be wrong: `shared/clock` sets it right. */
export const ClockTime = (what: string) => {
  const error = `${what} must be a time in whole milliseconds.`
  return z.number({ error }).int({ error }).min(-FURTHEST_MS, { error }).max(FURTHEST_MS, { error })
}

/** Milliseconds of a believable day, of a file or a question: from 2000 to a day ahead. */
export const Moment = (what: string) =>
  z
    .number({ error: `${what} must be a time in milliseconds.` })
    .int({ error: `${what} must be a time in whole milliseconds.` })
    .min(946_684_800_000, { error: `${what} lies before the year 2000.` })
    .refine(ms => ms <= Date.now() + 86_400_000, { error: `${what} lies in the future: check this device's clock.` })
