/** Characters of a password. */
export const PASSWORD_MIN = 12
export const PASSWORD_MAX = 200

/**
 * Passwords that are tried first, ten characters or more, and what comes of walking over the keyboard. From memory: the
 * lists that are published of them agree on these. The rest is stopped by the wait after a wrong try.
 */
const TRIED_FIRST = [
  '1234567890',
  '0123456789',
  '0987654321',
  'qwertyuiop',
  'qwerty1234',
  'qwerty12345',
  'qwerty123456',
  '1q2w3e4r5t',
  '1qaz2wsx3edc',
  'password12',
  'password123',
  'password1234',
  'passwordpassword',
  'iloveyou123',
  'letmein123',
  'welcome123',
  'administrator',
  'football123',
  'golfgolfgolf',
  'changeme123',
  'abcdefghij',
  'abc1234567',
]

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
function isPattern(password: string): boolean {
  const text = password.toLowerCase()
  return new Set(text).size <= 3 || isRepeated(text) || isRow(text)
}

/**
 * What is wrong with a password that others would guess; nothing where nobody would.
 * @param own words that everybody knows of its owner: address, name, academy
 * @example guessable('password123', []) // => 'This password is among the first that are tried: choose another.'
 */
export function guessable(password: string, own: readonly string[]): string | undefined {
  const plain = password.trim().toLowerCase()
  if (TRIED_FIRST.includes(plain) || isPattern(plain))
    return 'This password is among the first that are tried: choose another.'
  const known = own.flatMap(word => [word, word.split('@')[0]!]).map(word => word.trim().toLowerCase())
  return known.some(
    word => word.length >= 4 && plain.replace(/\d+$/, '').replaceAll(' ', '') === word.replaceAll(' ', ''),
  )
    ? 'This password is your e-mail or your name: choose another.'
    : undefined
}
