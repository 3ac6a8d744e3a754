import { v7 as newId } from 'uuid'
import { cellKey, clubsInUse, gridCells, isStruckOut, rungsInUse, type StockShot } from '#core/bag/bag'
import { BALLS_AT_ONCE } from '#core/chart/calibration'
import { plusMinusM, type ChartCell } from '#core/chart/chart-cell'
import { landingHeightM } from '#core/shot/landing-height'
import { pileOf } from '#core/chart/pile'
import { clockOnLine } from '#core/flight/air'
import { withAir } from '#core/flight/session-air'
import { nextInOrder } from '#core/session/order'
import type { Method } from '#core/shot/shot'
import type { TypedBall } from '#core/shot/typed-ball'
import { mendedCarry } from '#shared/mark-words'
import { nextWords, orderWords } from '#shared/next-words'
import type { LiveMessage } from '#shared/device'
import type { SessionPlan, ShotRecord, TakenRecord } from '#shared/session'
import type { Air } from '~/utils/air-draft'

/** Ways that reach to where a ball lies. */
const LIES: readonly Method[] = ['laser', 'paces', 'watch']

export interface Done { words: string, back: () => Promise<void> }

/** One range session: which stock shot is being hit, its balls, and what can be taken back. */
export function useRangeSession(sessionId: string) {
  const record = usePlayerRecord()
  const { cellName } = useCellNames()
  const numbers = useNumbers()
  const { targetOf } = useRanges()
  const session = computed(() => record.sessions.find(other => other.id === sessionId))
  const balls = computed(() => record.records.filter(shot => shot.sessionId === sessionId && !shot.deleted))
  const newestFirst = computed(() => [...balls.value].sort((a, b) => b.hitAtMs - a.hitAtMs || (a.id < b.id ? 1 : -1)))

  const clubs = computed(() => clubsInUse(record.bag))
  /** Longest on top, as the chart is read. */
  const rungs = computed(() => [...rungsInUse(record.bag)].reverse())
  const usable = computed(() => gridCells(record.bag).filter(cell => !isStruckOut(record.bag, cell)))

  // Where the session was left, also after a reload.
  const keptCell = useLocalStorage<string>(`uzzet-cell-${sessionId}`, '')
  const cell = computed<StockShot | undefined>(() =>
    usable.value.find(other => cellKey(other) === keptCell.value)
    ?? usable.value.find(other => newestFirst.value[0] && cellKey(other) === cellKey(newestFirst.value[0]))
    ?? usable.value.find(other => other.rungId === rungs.value[0]?.id) ?? usable.value[0])

  function choose(next: StockShot): void {
    if (usable.value.some(other => cellKey(other) === cellKey(next))) keptCell.value = cellKey(next)
  }

  /** One step over the board, past cells that are struck out. */
  function step(right: number, down: number): void {
    if (!cell.value) return
    let c = clubs.value.findIndex(club => club.id === cell.value!.clubId)
    let r = rungs.value.findIndex(rung => rung.id === cell.value!.rungId)
    for (;;) {
      c += right
      r += down
      const club = clubs.value[c]
      const rung = rungs.value[r]
      if (!club || !rung) return
      if (!isStruckOut(record.bag, { clubId: club.id, rungId: rung.id })) return choose({ clubId: club.id, rungId: rung.id })
    }
  }

  /** What is known of the chosen stock shot. While the numbers are being worked out its balls are shown alone. */
  const chosen = computed<ChartCell | undefined>(() => {
    const at = cell.value
    if (!at) return undefined
    return numbers.chart.value.find(other => cellKey(other) === cellKey(at))
      ?? { ...pileOf(at, record.shotsByCell.get(cellKey(at)) ?? []), kind: 'unhit', plain: false, carryM: null, certainty80M: null, window80M: null, leansOn: null }
  })

  /** Balls hit with the chosen stock shot without another in between. */
  const inARow = computed(() => {
    const other = newestFirst.value.findIndex(ball => cellKey(ball) !== (cell.value && cellKey(cell.value)))
    return other < 0 ? newestFirst.value.length : other
  })
  /** A ball of this session that stands out and that the coach has not settled: the newest such. */
  const question = computed(() => {
    const open = new Map(numbers.questions.value.map(one => [one.shot, one]))
    const ball = newestFirst.value.find(shot => open.has(shot.id) && shot.leftOut === null && shot.strike === null)
    return ball && { ...open.get(ball.id)!, ball }
  })

  const undoStack = shallowRef<Done[]>([])
  const did = (words: string, back: () => Promise<void>): Done => {
    const done = { words, back }
    undoStack.value = [...undoStack.value.slice(-99), done]
    return done
  }

  /** What is read to where a ball lies: legs, a laser on it, a watch beside it. */
  const liesOf = (method: Method): Pick<TakenRecord, 'lies'> => {
    const { measuredTo, firmness } = session.value!.plan
    return LIES.includes(method) && measuredTo === 'rest' ? { lies: firmness } : {}
  }
  /** Nothing but the swing length that was asked for says how a ball was measured. */
  const onlyAsked = (taken: TakenRecord | null | undefined) => !taken || Object.keys(taken).every(key => key === 'askedRungId' || key === 'clockMs')
  /** On ground that rises or falls to the target. */
  const heightOf = (carryM: number): Pick<TakenRecord, 'heightM'> => {
    const target = targetOf(session.value!.plan.rangeId, session.value!.plan.targetId)
    const heightM = target ? landingHeightM(target, carryM) : 0
    return heightM === 0 ? {} : { heightM }
  }
  const orNull = <T extends object>(value: T) => Object.keys(value).length === 0 ? null : value

  /** One ball, or a pile, of the chosen stock shot; what is not said is as the session has it. */
  async function log({ carryM, sideM, totalM }: TypedBall, more: Partial<ShotRecord> = {}): Promise<ShotRecord> {
    const method = more.method ?? session.value!.method
    const shot: ShotRecord = {
      id: newId(), sessionId, clubId: cell.value!.clubId, rungId: cell.value!.rungId, carryM, method,
      balls: 1, hitAtMs: serverNowMs(), leftOut: null, strike: null, deleted: false, version: 1, ...more,
      readings: orNull({ ...(totalM !== undefined && { totalM }), ...(sideM !== undefined && { sideM }) }), taken: orNull({ ...(onlyAsked(more.taken) ? { ...liesOf(method), ...more.taken } : more.taken), ...heightOf(carryM), ...clockNote() }),
    }
    did(`the ball with ${cellName(shot)}`, () => record.changeShot(shot.id, { deleted: true }))
    await record.putShot(shot)
    return shot
  }

  /** What the live line brought. @param own true for balls that can be taken back here. @returns balls that were not here yet */
  function hear({ shots, session: theirs }: LiveMessage, own: boolean): ShotRecord[] {
    const known = new Set(record.records.filter(ball => ball.sessionId === sessionId).map(ball => ball.id))
    const fresh = shots.filter(shot => !known.has(shot.id) && !shot.deleted)
    record.takeShots(shots)
    if (theirs) record.takeSession(theirs)
    if (own) for (const shot of fresh) did(`the ball with ${cellName(shot)}`, () => record.changeShot(shot.id, { deleted: true }))
    return fresh
  }

  /** Changes balls, remembering how they stood: one step to take back. */
  async function change(ids: readonly string[], fields: Partial<ShotRecord>, words: string): Promise<Done> {
    const before = record.records.filter(shot => ids.includes(shot.id))
    const done = did(words, async () => {
      for (const { id, carryM, clubId, rungId, leftOut, strike, taken, deleted } of before) await record.changeShot(id, { carryM, clubId, rungId, leftOut, strike, taken, deleted })
    })
    for (const { id } of before) await record.changeShot(id, fields)
    return done
  }

  /** The coach's answer about a ball that stands out; of a swing that changed, about all that stand out with it. */
  async function settle(asked: NonNullable<typeof question.value>, counts: boolean): Promise<Done> {
    const ids = asked.changed
      ? numbers.questions.value.filter(one => one.changed && cellKey(one) === cellKey(asked)).map(one => one.shot)
      : [asked.shot]
    const fields: Partial<ShotRecord> = counts ? { strike: 'clean' } : { leftOut: asked.fault, strike: asked.fault === 'mishit' ? 'mishit' : null }
    return change(ids, fields, counts ? 'that it counts' : 'leaving a ball out')
  }

  /** A ball that was read in the other unit; of a run, all of them. One step to take back. */
  async function inOtherUnit(asked: NonNullable<typeof question.value>): Promise<Done> {
    const ids = asked.changed ? numbers.questions.value.filter(one => one.otherUnit !== undefined && one.changed && cellKey(one) === cellKey(asked)).map(one => one.shot) : [asked.shot]
    const before = record.records.filter(shot => ids.includes(shot.id))
    const done = did('the other unit', async () => {
      for (const { id, carryM, taken } of before) await record.changeShot(id, { carryM, taken })
    })
    for (const { id, carryM, taken } of before) await record.changeShot(id, mendedCarry({ carryM, taken }, carryM * asked.otherUnit!))
    return done
  }

  /** Takes a thing back, the last one unless another is named. @returns what it was, or null when there is nothing to take back */
  async function undo(which?: Done): Promise<string | null> {
    const last = which ?? undoStack.value.at(-1)
    if (last) {
      // Taken back by its own button and by the key: once is enough.
      if (!undoStack.value.includes(last)) return null
      undoStack.value = undoStack.value.filter(done => done !== last)
      await last.back()
      return last.words
    }
    // After a reload the balls themselves are the memory: the newest one goes.
    const newest = newestFirst.value[0]
    if (!newest) return null
    await record.changeShot(newest.id, { deleted: true })
    return `the ball with ${cellName(newest)}`
  }

  const airNow = computed(() => session.value?.air.at(-1) ?? null)

  /** New air, from now on or in place of all that was taken before; none takes the correction back. */
  async function setAir(air: Air | null, from: 'now' | 'start'): Promise<void> {
    const { air: before, ...rest } = session.value!
    const entries = air === null ? [] : from === 'start' ? [{ ...air, fromMs: rest.startedAtMs }] : withAir(before, { ...air, fromMs: serverNowMs() })
    did('the change of the air', () => record.putSession({ ...session.value!, air: before, version: session.value!.version + 1 }))
    await record.putSession({ ...rest, air: entries, version: rest.version + 1 })
  }

  /** What is written about the session itself: its name, its order of work, its ground. One step to take back. */
  async function plan(change: Partial<SessionPlan>, words: string): Promise<Done> {
    const { plan: before } = session.value!
    const done = did(words, () => record.putSession({ ...session.value!, plan: { ...session.value!.plan, ...before }, version: session.value!.version + 1 }))
    await record.putSession({ ...session.value!, plan: { ...before, ...change }, version: session.value!.version + 1 })
    return done
  }

  /** Another target, from now on. The wind stays where it is, so that by the clock of the new line it comes from elsewhere. */
  async function aimAt(target: { id: string, rightDeg: number } | null, before: { rightDeg: number } | null): Promise<Done> {
    const now = session.value!
    const air = now.air.at(-1)
    const turnDeg = (target?.rightDeg ?? 0) - (before?.rightDeg ?? 0)
    const clock = air && (Math.round(10 * clockOnLine(air.wind.clock, turnDeg)) / 10 || 12)
    const turned = air && clock !== air.wind.clock && air.wind.speedMs > 0 ? withAir(now.air, { ...air, fromMs: serverNowMs(), wind: { ...air.wind, clock: clock! } }) : now.air
    const done = did('the change of the target', () => record.putSession({ ...session.value!, plan: { ...session.value!.plan, targetId: now.plan.targetId }, air: now.air, version: session.value!.version + 1 }))
    await record.putSession({ ...now, plan: { ...now.plan, targetId: target?.id ?? null }, air: turned, version: now.version + 1 })
    return done
  }

  const hitHere = computed(() => {
    const counts = new Map<string, number>()
    for (const ball of balls.value) counts.set(cellKey(ball), (counts.get(cellKey(ball)) ?? 0) + ball.balls)
    return counts
  })
  const ballsUsed = computed(() => balls.value.reduce((sum, ball) => sum + ball.balls + (ball.taken?.mishits ?? 0), 0))
  const ballsLeft = computed(() => session.value?.plan.bucket == null ? null : Math.max(0, session.value.plan.bucket - ballsUsed.value))

  /** What the order of work proposes, and why; null when it has nothing to say. */
  const proposal = computed<(StockShot & { balls: number, why: string }) | null>(() => {
    const order = session.value?.plan.order ?? 'teach'
    if (order === 'free' || ballsLeft.value === 0) return null
    if (order === 'teach') {
      const first = numbers.next.value[0]
      return first ? { clubId: first.clubId, rungId: first.rungId, balls: Math.min(first.balls, ballsLeft.value ?? Infinity), why: nextWords(first, cellName) } : null
    }
    const known = new Map(numbers.chart.value.map(at => [cellKey(at), at]))
    const withinM = numbers.ready.value?.withinM ?? 0
    const next = nextInOrder(order, record.bag, hitHere.value, {
      atOnce: BALLS_AT_ONCE, left: ballsLeft.value, carryOf: at => known.get(cellKey(at))?.carryM ?? null,
      enough: (at) => {
        const half = known.has(cellKey(at)) ? plusMinusM(known.get(cellKey(at))!) : null
        return half !== null && half <= withinM
      },
    })
    return next && { ...next, why: orderWords(order) }
  })

  /** Gives all balls to another session of the player; this one is shown no more. */
  async function mergeInto(otherId: string): Promise<Done> {
    const ids = record.records.filter(shot => shot.sessionId === sessionId).map(shot => shot.id)
    const put = async (to: string, gone: boolean) => {
      for (const id of ids) await record.changeShot(id, { sessionId: to })
      const now = session.value!
      await record.putSession({ ...now, plan: { ...now.plan, gone }, endedAtMs: now.endedAtMs ?? serverNowMs(), version: now.version + 1 })
    }
    const done = did('merging two sessions', () => put(sessionId, false))
    await put(otherId, true)
    return done
  }

  const end = () => record.putSession({ ...session.value!, endedAtMs: serverNowMs(), version: session.value!.version + 1 })
  const goOn = () => record.putSession({ ...session.value!, endedAtMs: null, version: session.value!.version + 1 })

  return {
    session, balls, newestFirst, clubs, rungs, cell, chosen, inARow, question, proposal, hitHere, ballsUsed, ballsLeft, plan, aimAt, ready: numbers.ready, airNow, setAir, choose, step, log, hear, change, mergeInto, settle, inOtherUnit, undo,
    canUndo: computed(() => undoStack.value.length > 0 || balls.value.length > 0), end, goOn,
  }
}

export type RangeSession = ReturnType<typeof useRangeSession>
