import { cellKey, type StockShot } from '#core/bag/bag'
import { newestCorrection } from '#core/corrections/air-correction'
import { lockInMarks, type HabitMark } from '#core/session/lock-in'
import { groupBy } from '#core/group-by'
import type { RangeSession } from './useRangeSession'
import { useNumbers } from '~/calculation/useNumbers'
import { useAccount } from '~/offline/stores/account'

/** How far the coach's habits have come with each stock shot of a session; nothing when the coach has none. */
export function useHabits({ balls, ready }: RangeSession) {
  const account = useAccount()
  const { chart, corrections } = useNumbers()
  const habits = computed(() => account.account?.lockIn ?? {})
  const marks = computed(() => {
    const found = new Map<string, HabitMark[]>()
    if (Object.keys(habits.value).length === 0 || !ready.value) return found
    const numbers = new Map(chart.value.map(cell => [cellKey(cell), cell.carryM]))
    for (const [key, own] of groupBy(balls.value, cellKey)) {
      // The number stands in neutral air; the balls were measured in today's.
      const correction = newestCorrection(
        corrections.value.filter(one => one.sessionId === own[0]!.sessionId),
        own[0]!,
      )
      const numberM = numbers.get(key) ?? null
      const todayM =
        numberM === null ? null : numberM - (correction?.neutralM ? correction.neutralM - correction.measuredM : 0)
      const inTime = own
        .toSorted((a, b) => a.hitAtMs - b.hitAtMs || (a.id < b.id ? -1 : 1))
        .map(({ carryM, balls: n, leftOut, strike }) => ({
          carryM,
          balls: n,
          counts: leftOut === null && (strike === null || strike === 'clean'),
        }))
      found.set(key, lockInMarks(habits.value, inTime, todayM, ready.value.withinM))
    }
    return found
  })
  return {
    marksOf: (cell: StockShot): HabitMark[] => marks.value.get(cellKey(cell)) ?? [],
    /** Every habit is met. */
    lockedIn: (cell: StockShot): boolean => {
      const own = marks.value.get(cellKey(cell))
      return !!own && own.length > 0 && own.every(mark => mark.met)
    },
  }
}
