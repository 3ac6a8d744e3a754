/**
 * The beginning of a text, at most so long (UTF-16 units, as lengths are counted everywhere), and never half a character.
 * @example cut('56°', 2) // => '56'
 * @example cut('a👩', 2) // => 'a'
 */
export function cut(text: string, max: number): string {
  if (text.length <= max) return text
  const last = text.charCodeAt(max - 1)
  const splits = last >= 0xD800 && last <= 0xDBFF
  return text.slice(0, splits ? max - 1 : max)
}
