import { cellKey } from '#core/bag/bag'
import type { CarryChart } from '#core/chart/chart-cell'
import type { Firmness } from '#core/flight/run-out'
import { useCellRemarks } from '~/player/useCellRemarks'
import { usePlayerRecord } from '~/offline/stores/record'
import { pageMemo } from '~/ui/page-memo'

/**
 * Carry and run of each stock shot, metres, by `cellKey`, while a ground is chosen. The flight is fetched when it is
 * first needed.
 */
export function useTotals(chart: () => CarryChart, ground: () => Firmness | undefined) {
  const record = usePlayerRecord()
  const { remarksOf } = useCellRemarks()
  const totals = shallowRef<ReadonlyMap<string, number>>(new Map())
  watch(
    [chart, ground, () => record.words],
    async ([cells, firmness]) => {
      if (!firmness) return void (totals.value = new Map())
      const { runOf } = await import('#core/chart/as-total')
      const lofts = new Map(record.bag.clubs.map(club => [club.id, club.loftDeg]))
      totals.value = new Map(
        cells.flatMap((cell): [string, number][] => {
          const carryM = remarksOf(cell).written?.carryM ?? cell.carryM
          return carryM === null || cell.plain
            ? []
            : [[cellKey(cell), carryM + runOf(lofts.get(cell.clubId)!, carryM, firmness, pageMemo)]]
        }),
      )
    },
    { immediate: true },
  )
  return totals
}
