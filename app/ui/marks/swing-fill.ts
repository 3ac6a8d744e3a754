/** How solid the mark of a swing length is: outline for the shortest, full for the longest. */
export function swingSolidity(index: number, count: number): number {
  return count <= 1 ? 1 : index / (count - 1)
}
