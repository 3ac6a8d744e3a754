import { isWithin } from '#core/units'
import { cellKey, type StockShot } from '#core/bag/bag'
import { BALLS_AT_ONCE } from '#core/calibration/calibration'
import { lossHalfM } from '#core/flight/ball-type'
import { halfAfter, plusMinusM, type ChartCell } from '#core/chart/chart-cell'
import { remarksAt } from '#core/history/coach-remarks'
import { doesCount } from '#core/shot/shot'
import { lockInMarks, USUAL_LOCK_IN } from '#core/session/lock-in'
import { nextInOrder } from '#core/session/order'
import { WARM_UP } from '#shared/session'
import { gainText, nextText, orderTexts, settleText } from '#words/next'
import { retestBallText } from '#words/retest'
import { settleBalls } from '~/player/settle'
import type { SessionBalls } from '~/player/useSessionBalls'
import { useCellNames, useNumbers } from '~/calculation/useNumbers'
import { useDistance } from '~/ui/useDistance'
import { useAccount } from '~/offline/stores/account'
import { usePlayerRecord } from '~/offline/stores/record'

/** A block that ends by what is seen still ends. */
const LONGEST_BLOCK = 20

export type Proposal = StockShot & { balls: number; why: string; gain: string }

/** How many balls a block has. @param isEnough whether a number is known well enough */
function useBlock({ session, balls }: Pick<SessionBalls, 'session' | 'balls'>, isEnough: (at: StockShot) => boolean) {
  const account = useAccount()
  const numbers = useNumbers()

  /** Balls at one stock shot before the next, as this session has it. */
  const block = computed(() => session.value?.plan.block ?? account.settings.block ?? BALLS_AT_ONCE)
  /** How many more of a block that has begun; null where it ends by what is seen, and has not yet. */
  function leftOfBlock(at: StockShot, inARow: number): number | null {
    const until = session.value?.plan.until ?? 'count'
    if (inARow === 0) return 0
    if (until === 'count') return Math.max(0, block.value - (((inARow - 1) % block.value) + 1))
    if (inARow >= LONGEST_BLOCK) return 0
    if (until === 'enough') return isEnough(at) ? 0 : null
    const own = balls.value
      .filter(ball => cellKey(ball) === cellKey(at))
      .sort((a, b) => a.hitAtMs - b.hitAtMs)
      .slice(-inARow)
      .map(ball => ({ carryM: ball.carryM, balls: ball.balls, counts: doesCount(ball) }))
    const alike = account.account?.lockIn.alike ?? USUAL_LOCK_IN.alike
    const [mark] = lockInMarks({ alike }, own, null, numbers.ready.value?.withinM ?? 0)
    return mark?.met ? 0 : null
  }
  return { block, leftOfBlock }
}

/** What to hit next, by the session's order of work, as far as the bucket reaches. */
export function useProposal({ session, balls }: SessionBalls) {
  const record = usePlayerRecord()
  const { cellName } = useCellNames()
  const { unit } = useDistance()
  const numbers = useNumbers()

  const hitHere = computed(() => {
    const counts = new Map<string, number>()
    for (const ball of balls.value)
      if (ball.leftOut !== WARM_UP) counts.set(cellKey(ball), (counts.get(cellKey(ball)) ?? 0) + ball.balls)
    return counts
  })
  const ballsUsed = computed(() => balls.value.reduce((sum, ball) => sum + ball.balls + (ball.taken?.mishits ?? 0), 0))
  const ballsLeft = computed(() =>
    session.value?.plan.bucket == null ? null : Math.max(0, session.value.plan.bucket - ballsUsed.value),
  )
  const known = computed(() => new Map(numbers.chart.value.map(at => [cellKey(at), at])))
  const written = computed(() => remarksAt(record.words, Infinity))
  /** A number that the coach wrote closes its stock shot. */
  const isClosed = (at: StockShot) => (written.value.get(cellKey(at))?.written?.carryM ?? null) !== null
  const isEnough = (at: StockShot) => {
    const half = known.value.has(cellKey(at)) ? plusMinusM(known.value.get(cellKey(at))!) : null
    return half !== null && isWithin(half, numbers.ready.value?.withinM ?? 0)
  }

  const { block, leftOfBlock } = useBlock({ session, balls }, isEnough)

  const gainOf = (at: StockShot, more: number): string => {
    const cell: ChartCell | undefined = known.value.get(cellKey(at))
    const range = session.value?.ball === 'range' ? numbers.rangeBalls.value : null
    const left = range && cell?.carryM ? lossHalfM(cell.carryM, range) : 0
    const [half, after] = [cell && plusMinusM(cell), cell && halfAfter(cell, more, left)]
    return half && after ? gainText(half, after, more, unit.value) : ''
  }
  const proposed = (at: StockShot & { balls: number }, why: string): Proposal => {
    const more = Math.min(at.balls, ballsLeft.value ?? Infinity)
    return { clubId: at.clubId, rungId: at.rungId, balls: more, why, gain: gainOf(at, more) }
  }

  /** Stock shots that an open question waits for: in turn, a block each. */
  function settling(): Proposal | null {
    const settle = session.value?.plan.settle
    if (!settle) return null
    const rounds = (at: StockShot) => Math.floor((hitHere.value.get(cellKey(at)) ?? 0) / block.value)
    const moreOf = (at: StockShot & { balls?: number }) =>
      settleBalls(settle, at) - (hitHere.value.get(cellKey(at)) ?? 0)
    const left = settle.shots.filter(at => moreOf(at) > 0)
    const first = left.toSorted((a, b) => rounds(a) - rounds(b))[0]
    if (!first) return null
    const why = settle.why === 'retest' ? retestBallText(first.balls ?? settle.balls) : settleText(settle.balls)
    return proposed({ ...first, balls: Math.min(block.value, moreOf(first)) }, why)
  }

  /** What the order of work proposes, and why; null when it has nothing to say. */
  const proposal = computed<Proposal | null>(() => {
    if (ballsLeft.value === 0) return null
    const settle = settling()
    if (settle) return settle
    const order = session.value?.plan.order ?? 'teach'
    if (order === 'free') return null
    if (order === 'teach') {
      const first = numbers.next.value[0]
      return first ? proposed({ ...first, balls: block.value }, nextText(first, cellName)) : null
    }
    const { begin, beginRungId } = session.value!.plan
    const next = nextInOrder(order, record.bag, hitHere.value, {
      atOnce: block.value,
      left: ballsLeft.value,
      carryOf: at => known.value.get(cellKey(at))?.carryM ?? null,
      enough: isEnough,
      closed: isClosed,
      begin,
      rungId: beginRungId,
    })
    return next && proposed(next, orderTexts[order].why)
  })

  return { hitHere, ballsUsed, ballsLeft, proposal, block, leftOfBlock }
}
