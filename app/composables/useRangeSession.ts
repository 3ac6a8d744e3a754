import { v7 as newId } from 'uuid'
import { cellKey, clubsInUse, gridCells, isStruckOut, rungsInUse, type StockShot } from '#core/bag/bag'
import type { ChartCell } from '#core/chart/chart-cell'
import { pileOf } from '#core/chart/pile'
import { withAir } from '#core/flight/session-air'
import type { ShotRecord } from '#shared/session'
import type { Air } from '~/utils/air-draft'

interface Done { words: string, back: () => Promise<void> }

/** One range session: which stock shot is being hit, its balls, and what can be taken back. */
export function useRangeSession(sessionId: string) {
  const record = usePlayerRecord()
  const { cellName } = useCellNames()
  const numbers = useNumbers()
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

  async function log(carryM: number): Promise<ShotRecord> {
    const shot: ShotRecord = {
      id: newId(), sessionId, clubId: cell.value!.clubId, rungId: cell.value!.rungId, carryM, method: session.value!.method,
      balls: 1, hitAtMs: Date.now(), leftOut: null, strike: null, deleted: false, version: 1,
    }
    did(`the ball with ${cellName(shot)}`, () => record.changeShot(shot.id, { deleted: true }))
    await record.putShot(shot)
    return shot
  }

  /** Changes balls, remembering how they stood: one step to take back. */
  async function change(ids: readonly string[], fields: Partial<ShotRecord>, words: string): Promise<Done> {
    const before = record.records.filter(shot => ids.includes(shot.id))
    const done = did(words, async () => {
      for (const { id, carryM, clubId, rungId, leftOut, strike, deleted } of before) await record.changeShot(id, { carryM, clubId, rungId, leftOut, strike, deleted })
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
    const entries = air === null ? [] : from === 'start' ? [{ ...air, fromMs: rest.startedAtMs }] : withAir(before, { ...air, fromMs: Date.now() })
    did('the change of the air', () => record.putSession({ ...session.value!, air: before, version: session.value!.version + 1 }))
    await record.putSession({ ...rest, air: entries, version: rest.version + 1 })
  }

  const end = () => record.putSession({ ...session.value!, endedAtMs: Date.now(), version: session.value!.version + 1 })
  const goOn = () => record.putSession({ ...session.value!, endedAtMs: null, version: session.value!.version + 1 })

  return {
    session, balls, newestFirst, clubs, rungs, cell, chosen, inARow, question, next: numbers.next, ready: numbers.ready, airNow, setAir, choose, step, log, change, settle, undo,
    canUndo: computed(() => undoStack.value.length > 0 || balls.value.length > 0), end, goOn,
  }
}

export type RangeSession = ReturnType<typeof useRangeSession>
