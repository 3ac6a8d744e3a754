import { IntlMessageFormat } from 'intl-messageformat'

/** What is put into a message: texts that are written already, and counts, which choose the plural. */
export type MessageValues = Record<string, string | number>

/** Rules of plurals; the words themselves are in this folder's `en/`. */
const LOCALE = 'en'

const compiled = new Map<string, IntlMessageFormat>()

/**
 * A message with its values put in (ICU MessageFormat: `{name}`, plural, select).
 * @throws Error naming the value that a message asks for and was not given
 * @example write('{n, plural, one {# ball} other {# balls}}', { n: 1 }) // => '1 ball'
 */
export function write(message: string, values: MessageValues = {}): string {
  const known = compiled.get(message) ?? new IntlMessageFormat(message, LOCALE, undefined, { ignoreTag: true })
  compiled.set(message, known)
  return String(known.format(values))
}

/** Parts of a list as it is said: "a", "a and b", "a, b and c". */
export function listed(parts: readonly string[]): string {
  return new Intl.ListFormat('en-GB', { type: 'conjunction' }).format(parts)
}

/**
 * Messages by the id that their file is named like.
 * @example byId({ takeOut: 1 }).has('take-out') // => true
 */
export function byId<T>(messages: Readonly<Record<string, T>>): ReadonlyMap<string, T> {
  const dashed = (name: string) => name.replace(/[A-Z]/g, letter => `-${letter.toLowerCase()}`)
  return new Map(Object.entries(messages).map(([name, message]) => [dashed(name), message]))
}

/** Its first letter large. */
export function sentence(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
}
