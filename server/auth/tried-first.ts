import { dictionary } from '@zxcvbn-ts/language-common'
import { isPattern } from '../../shared/password'

/** Some fifty thousand passwords that are tried first, in small letters. */
let listed: ReadonlySet<string> | undefined
const isListed = (text: string) => (listed ??= new Set(dictionary['passwords-common'])).has(text)

/** Figures and signs that stand for letters. */
const LETTERS: Record<string, string> = {
  '0': 'o',
  '1': 'i',
  '3': 'e',
  '4': 'a',
  '5': 's',
  '7': 't',
  '@': 'a',
  '$': 's',
  '!': 'i',
}
const spelt = (text: string) => text.replace(/[013457@$!]/g, sign => LETTERS[sign]!)

/** So many figures and signs behind or before a word are tried with it. Our choice. */
const MOST_BESIDE = 6
const LEAST_WORD = 4

/** A word with what is usually put behind or before it taken off. */
function* cores(text: string): Generator<string> {
  const [, before, word, behind] = /^([\d\W_]*)(.*?)([\d\W_]*)$/s.exec(text)!
  const isUsual = (part: string) => part.length <= MOST_BESIDE || isPattern(part)
  if (word!.length >= LEAST_WORD && isUsual(before!) && isUsual(behind!)) yield word!
  if (isUsual(behind!)) yield before! + word!
  // The same word twice.
  const half = text.length / 2
  if (Number.isInteger(half) && text.slice(0, half) === text.slice(half)) yield text.slice(0, half)
}

/**
 * True for a password that is tried before others: one of the list, a listed word with figures and signs beside it,
 * with figures for letters, or twice.
 */
export function isTriedFirst(password: string): boolean {
  const plain = password.trim().toLowerCase()
  const all = [plain, spelt(plain)].flatMap(text => [text, ...cores(text)])
  return [...all, ...all.map(spelt)].some(text => text.length >= LEAST_WORD && isListed(text))
}
