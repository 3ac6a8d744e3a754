import type { StockShot } from '#core/bag/bag'
import { nearestNumber } from '#core/practice/drill'
import { useNumbers } from '~/calculation/useNumbers'

/** Which stock shot of the open player has the number nearest to a distance. */
export function useNearestShot() {
  const { readChart } = useNumbers()
  const numbers = computed(() =>
    readChart.value
      .filter(cell => cell.carryM !== null && !cell.plain && cell.kind !== 'struck-out')
      .map(({ clubId, rungId, carryM }) => ({ clubId, rungId, carryM: carryM! }))
      .sort((a, b) => a.carryM - b.carryM),
  )
  const nearest = (distanceM: number): StockShot | undefined => {
    if (numbers.value.length === 0) return undefined
    const { clubId, rungId } = nearestNumber(numbers.value, distanceM)
    return { clubId, rungId }
  }
  return { nearest }
}
