/**
 * The middle of a list, or of its two middle values; 0 for none. The list is not changed.
 * @example median([3, 1, 2, 10]) // => 2.5
 */
export function median(values: readonly number[]): number {
  if (values.length === 0) return 0
  const sorted = [...values].sort((a, b) => a - b)
  return (sorted[(sorted.length - 1) >> 1]! + sorted[sorted.length >> 1]!) / 2
}
