import { doesCount } from '#core/shot/shot'
import { cellKey } from '#core/bag/bag'
import { groupBy } from '#core/group-by'
import type { CarryChart } from '#core/chart/chart-cell'
import type { Shot } from '#core/shot/shot'

/**
 * What each counting ball came to in the chart, by its id: in neutral air, as it pitched, as the player's own ball. A
 * cell whose balls have changed since the chart was worked out is left away until the next answer.
 */
export function neutralCarries(chart: CarryChart, shots: readonly Shot[]): Map<string, number> {
  const piles = groupBy(shots.filter(doesCount), cellKey)
  const carries = new Map<string, number>()
  for (const cell of chart) {
    const pile = [...(piles.get(cellKey(cell)) ?? [])].sort((a, b) => a.hitAtMs - b.hitAtMs || (a.id < b.id ? -1 : 1))
    if (pile.length === cell.carriesM.length) pile.forEach((shot, i) => carries.set(shot.id, cell.carriesM[i]!))
  }
  return carries
}
