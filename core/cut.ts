/** Half of a character of two UTF-16 units, alone. */
const HALF = /\p{Cs}/gu

/**
 * False for a text with half a character in it, which no file and no database keeps.
 * @example isWholeText('a👩')
 * // => true
 */
export function isWholeText(text: string): boolean {
  return text.search(HALF) < 0
}

/** The text with a mark in place of half characters, to be quoted back. */
export function wholeText(text: string): string {
  return text.replace(HALF, '\uFFFD')
}

/**
 * The beginning of a text, at most so long (UTF-16 units, as lengths are counted everywhere), and never half a
 * character.
 * @example cut('56°', 2) // => '56'
 * @example cut('a👩', 2) // => 'a'
 */
export function cut(text: string, max: number): string {
  if (text.length <= max) return text
  const last = text.charCodeAt(max - 1)
  const splits = last >= 0xd800 && last <= 0xdbff
  return text.slice(0, splits ? max - 1 : max)
}
