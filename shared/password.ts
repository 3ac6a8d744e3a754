/** Characters of a password. */
export const PASSWORD_MIN = 12
export const PASSWORD_MAX = 200

export const TRIED_FIRST_WORDS = 'This password is among the first that are tried: choose another.'

/** A few characters said again and again, such as "abcabcabcabc": the last may be cut short. */
const isRepeated = (text: string) =>
  [1, 2, 3, 4].some(length => Array.from(text).every((character, i) => character === text[i % length]))

const DIGIT_0 = '0'.charCodeAt(0)
/** Where a character stands; digits go round, as in 7890123. */
const isRow = (text: string) => {
  const digits = /^\d+$/.test(text)
  const at = (i: number) => text.charCodeAt(i) - (digits ? DIGIT_0 : 0)
  const steps = Array.from({ length: text.length - 1 }, (_, i) => (at(i + 1) - at(i) + 10) % (digits ? 10 : Infinity))
  return steps.every(step => step === steps[0])
}

/** The same few characters over and over, or one after the other. */
export function isPattern(password: string): boolean {
  const text = password.toLowerCase()
  return new Set(text).size <= 3 || isRepeated(text) || isRow(text)
}

/**
 * What is wrong with a password that others would guess; nothing where nobody would. What is on the list of those
 * that are tried first the server says: the list is too long for a page.
 * @param own words that everybody knows of its owner: address, name, academy
 * @example guessable('121212121212', []) // => 'This password is among the first that are tried: choose another.'
 */
export function guessable(password: string, own: readonly string[]): string | undefined {
  const plain = password.trim().toLowerCase()
  if (isPattern(plain)) return TRIED_FIRST_WORDS
  const known = own.flatMap(word => [word, word.split('@')[0]!]).map(word => word.trim().toLowerCase())
  return known.some(
    word => word.length >= 4 && plain.replace(/\d+$/, '').replaceAll(' ', '') === word.replaceAll(' ', ''),
  )
    ? 'This password is your e-mail or your name: choose another.'
    : undefined
}
