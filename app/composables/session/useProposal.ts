import { cellKey, type StockShot } from '#core/bag/bag'
import { BALLS_AT_ONCE } from '#core/calibration/calibration'
import { plusMinusM } from '#core/chart/chart-cell'
import { nextInOrder } from '#core/session/order'
import { nextText, orderTexts } from '#words/next'
import type { SessionBalls } from '~/composables/session/useSessionBalls'
import { useCellNames, useNumbers } from '~/composables/useNumbers'
import { usePlayerRecord } from '~/stores/record'

/** What to hit next, by the session's order of work, as far as the bucket reaches. */
export function useProposal({ session, balls }: SessionBalls) {
  const record = usePlayerRecord()
  const { cellName } = useCellNames()
  const numbers = useNumbers()

  const hitHere = computed(() => {
    const counts = new Map<string, number>()
    for (const ball of balls.value) counts.set(cellKey(ball), (counts.get(cellKey(ball)) ?? 0) + ball.balls)
    return counts
  })
  const ballsUsed = computed(() => balls.value.reduce((sum, ball) => sum + ball.balls + (ball.taken?.mishits ?? 0), 0))
  const ballsLeft = computed(() =>
    session.value?.plan.bucket == null ? null : Math.max(0, session.value.plan.bucket - ballsUsed.value),
  )

  /** What the order of work proposes, and why; null when it has nothing to say. */
  const proposal = computed<(StockShot & { balls: number; why: string }) | null>(() => {
    const order = session.value?.plan.order ?? 'teach'
    if (order === 'free' || ballsLeft.value === 0) return null
    if (order === 'teach') {
      const first = numbers.next.value[0]
      if (!first) return null
      const { clubId, rungId } = first
      return {
        clubId,
        rungId,
        balls: Math.min(first.balls, ballsLeft.value ?? Infinity),
        why: nextText(first, cellName),
      }
    }
    const known = new Map(numbers.chart.value.map(at => [cellKey(at), at]))
    const withinM = numbers.ready.value?.withinM ?? 0
    const next = nextInOrder(order, record.bag, hitHere.value, {
      atOnce: BALLS_AT_ONCE,
      left: ballsLeft.value,
      carryOf: at => known.get(cellKey(at))?.carryM ?? null,
      enough: at => {
        const half = known.has(cellKey(at)) ? plusMinusM(known.get(cellKey(at))!) : null
        return half !== null && half <= withinM
      },
    })
    return next && { ...next, why: orderTexts[order].why }
  })

  return { hitHere, ballsUsed, ballsLeft, proposal }
}
