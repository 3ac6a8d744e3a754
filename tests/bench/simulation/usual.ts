import type { ModelCell } from '../../../core/model/prior'

/** What coaches do by hand, to compare with. */

export const mean = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / values.length

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const half = sorted.length >> 1
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2
}

/** Mean without the longest and the shortest, from three balls on. */
export function trimmed(values: readonly number[]): number {
  return values.length < 3 ? mean(values) : mean([...values].sort((a, b) => a - b).slice(1, -1))
}

const USUAL_STEP_M = 2.4

/**
 * A cell that nobody hit, as it is guessed on the back of a card: on the line through the nearest hit clubs of the same
 * swing length; with one only, 2.4 m a degree. Null when nothing of that length was hit.
 */
export function byLoft(
  cells: readonly ModelCell[],
  carriesM: readonly (number | null)[],
  cell: number,
): { carryM: number; between: boolean } | null {
  const own = cells[cell]!
  const row = cells.flatMap((c, i) =>
    c.rung === own.rung && carriesM[i] !== null && i !== cell ? [{ loft: c.loftDeg, carryM: carriesM[i]! }] : [],
  )
  const nearest = (list: typeof row) =>
    [...list].sort((a, b) => Math.abs(a.loft - own.loftDeg) - Math.abs(b.loft - own.loftDeg))
  const [below] = nearest(row.filter(r => r.loft < own.loftDeg))
  const [above] = nearest(row.filter(r => r.loft > own.loftDeg))
  const line = (a: (typeof row)[0], b: (typeof row)[0]) =>
    a.carryM + ((own.loftDeg - a.loft) * (b.carryM - a.carryM)) / (b.loft - a.loft)
  if (below && above) return { carryM: line(below, above), between: true }
  const [first, second] = nearest(row)
  if (!first) return null
  if (second && second.loft !== first.loft) return { carryM: line(first, second), between: false }
  return { carryM: first.carryM - USUAL_STEP_M * (own.loftDeg - first.loft), between: false }
}
