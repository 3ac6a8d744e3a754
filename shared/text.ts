import { cut, wholeText } from '../core/cut'

/** Lists and objects are not written out: they may be as deep as a well. */
function whatItIs(value: object): string {
  return Array.isArray(value) ? 'a list' : 'an object'
}

/** A value as it is quoted back: short enough to read, whatever was sent. */
export function quoted(value: unknown): string {
  if (typeof value === 'object' && value !== null) return whatItIs(value)
  const text = typeof value === 'string' ? wholeText(value) : String(value)
  return `"${text.length > 40 ? `${cut(text, 40)}…` : text}"`
}
