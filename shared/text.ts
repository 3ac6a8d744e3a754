import { z } from 'zod'

/** A value as it is quoted back: short enough to read, whatever was sent. */
export function quoted(value: unknown): string {
  const text = typeof value === 'string' ? value : JSON.stringify(value) ?? String(value)
  return `"${text.length > 40 ? `${text.slice(0, 40)}…` : text}"`
}

/**
 * One line of text: trimmed, bounded, without control characters.
 * @param what what it is called in the error: "Name"
 */
export function lineOfText(what: string, max: number, { required = true } = {}) {
  return z
    .string({ error: iss => iss.input === undefined ? `${what} is missing.` : `${what} ${quoted(iss.input)} is not text.` })
    .trim()
    .superRefine((text, ctx) => {
      if (required && text.length === 0) ctx.addIssue(`${what} is empty: give 1 to ${max} characters.`)
      if (text.length > max) ctx.addIssue(`${what} ${quoted(text)} has ${text.length} characters: at most ${max} are allowed.`)
      // eslint-disable-next-line no-control-regex
      if (/[\u0000-\u001F\u007F]/.test(text)) ctx.addIssue(`${what} holds a line break or control character: use one line of plain text.`)
    })
}

/** An id made where the thing is made: a UUID in lower case. */
export const Id = z
  .string({ error: iss => `${quoted(iss.input)} is not an id: a UUID is needed.` })
  .regex(/^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/, { error: iss => `${quoted(iss.input)} is not an id: a UUID in lower case is needed.` })

/** Counts changes of a record, so that an edit of a stale copy is noticed. */
export const Version = z
  .number({ error: iss => `Version ${quoted(iss.input)} is not a whole number of 1 or more.` })
  .int({ error: iss => `Version ${quoted(iss.input)} is not a whole number of 1 or more.` })
  .min(1, { error: iss => `Version ${quoted(iss.input)} is not a whole number of 1 or more.` })

/** A number within bounds, with one sentence for all that can be wrong with it. */
export function boundedNumber(what: string, min: number, max: number, unit: string) {
  const error = (iss: { input?: unknown }) => iss.input === undefined || iss.input === null
    ? `${what} is missing: give ${min} to ${max}${unit}.`
    : `${what} ${typeof iss.input === 'number' ? `${iss.input}${unit}` : quoted(iss.input)} is not possible: ${min} to ${max}${unit} is allowed.`
  return z.number({ error }).min(min, { error }).max(max, { error })
}

/** One of a list, the list named in the error. */
export function oneOf<const T extends readonly [string, ...string[]]>(what: string, values: T) {
  return z.enum(values, { error: iss => `${what} ${quoted(iss.input)} is not known: one of ${values.join(', ')}.` })
}

/** Milliseconds of a believable day: from 2000 to a day ahead, since a tablet's clock may be off. */
export const Moment = (what: string) => z
  .number({ error: `${what} must be a time in milliseconds.` })
  .int({ error: `${what} must be a time in whole milliseconds.` })
  .min(946_684_800_000, { error: `${what} lies before the year 2000.` })
  .refine(ms => ms <= Date.now() + 86_400_000, { error: `${what} lies in the future: check this device's clock.` })
