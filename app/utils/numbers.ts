/** A figure as it is typed: a comma or a point, a real minus sign or a hyphen; not a number for anything else. */
export function typedNumber(text: string): number {
  const plain = text.trim().replace(',', '.').replace('−', '-')
  return /^[+-]?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : Number.NaN
}
