/**
 * A carry or a span of it as it is typed: "105", "185 to 192", "185-192"; the ends in either order.
 * @returns one number, or the two ends from short to long; null for anything else
 */
export function typedSpan(text: string): [number] | [number, number] | null {
  const parts = text.trim().split(/\s*(?:-|–|\bto\b|\.\.)\s*/i)
  const values = parts.map(typedNumber)
  if (parts.length > 2 || values.some(Number.isNaN)) return null
  const [from, to] = values.sort((a, b) => a - b)
  return to === undefined || from === to ? [from!] : [from!, to]
}

/** A figure as it is typed: a comma or a point, a real minus sign or a hyphen; not a number for anything else. */
export function typedNumber(text: string): number {
  const plain = text.trim().replace(',', '.').replace('−', '-')
  return /^[+-]?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : Number.NaN
}
