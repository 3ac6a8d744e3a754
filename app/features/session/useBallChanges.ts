import { cellKey } from '#core/bag/bag'
import { mended } from '#shared/marks'
import type { ShotRecord } from '#shared/schemas/session'
import type { SessionBalls } from '~/player/useSessionBalls'
import type { Done, TakingBack } from '~/features/session/useTakingBack'
import { Z_80 } from '#core/stats/quantiles'
import { useNumbers } from '~/calculation/useNumbers'
import { usePlayerRecord } from '~/offline/stores/record'
import { serverNowMs } from '~/offline/server-clock'

/** So many are asked about at once. */
const MOST_ASKED = 4
/** Scatters off: a ball so far from one stock shot and so near to another belongs to the other. Our choice. */
const FAR_SDS = 3
const NEAR_SDS = 1.5

/** A ball that stands out, and the ball itself. */
export type OpenQuestion = ReturnType<typeof useNumbers>['questions']['value'][number] & { ball: ShotRecord }

/** Changes of balls that are there: by the coach's word, or by an answer to what is asked about one. */
export function useBallChanges(sessionId: string, { session, newestFirst }: SessionBalls, { did }: TakingBack) {
  const record = usePlayerRecord()
  const numbers = useNumbers()

  /** Balls of this session that stand out and that the coach has not settled, the newest first. */
  const openQuestions = computed(() => {
    const open = new Map(numbers.questions.value.map(one => [one.shot, one]))
    return newestFirst.value
      .filter(shot => open.has(shot.id) && shot.leftOut === null && shot.strike === null)
      .slice(0, MOST_ASKED)
      .map(ball => ({ ...open.get(ball.id)!, ball }))
  })

  /**
   * The newest ball of a device, where it fits the stock shot before far better than the one it was taken for: the next
   * was chosen while it flew.
   */
  const perhapsBefore = computed(() => {
    const [newest, ...earlier] = newestFirst.value
    if (!newest || newest.method !== 'monitor' || newest.leftOut !== null || newest.strike !== null) return null
    const before = earlier.find(ball => cellKey(ball) !== cellKey(newest))
    if (!before) return null
    const off = (key: string): number | null => {
      const cell = numbers.chart.value.find(one => cellKey(one) === key)
      if (!cell?.window80M || cell.carryM === null) return null
      return Math.abs(newest.carryM - cell.carryM) / ((cell.window80M[1] - cell.window80M[0]) / (2 * Z_80))
    }
    const [here, there] = [off(cellKey(newest)), off(cellKey(before))]
    if (here === null || there === null || here < FAR_SDS || there > NEAR_SDS) return null
    return { ball: newest, before: { clubId: before.clubId, rungId: before.rungId } }
  })

  /** Changes balls, remembering how they stood: one step to take back. */
  async function change(ids: readonly string[], fields: Partial<ShotRecord>, words: string): Promise<Done> {
    const before = record.records.filter(shot => ids.includes(shot.id))
    const done = did(words, async () => {
      for (const { id, carryM, clubId, rungId, leftOut, strike, readings, taken, deleted } of before)
        await record.changeShot(id, { carryM, clubId, rungId, leftOut, strike, readings, taken, deleted })
    })
    for (const { id } of before) await record.changeShot(id, fields)
    return done
  }

  /** The coach's answer about a ball that stands out; of a swing that changed, about all that stand out with it. */
  async function settle(asked: OpenQuestion, counts: boolean): Promise<Done> {
    const ids = asked.changed
      ? numbers.questions.value.filter(one => one.changed && cellKey(one) === cellKey(asked)).map(one => one.shot)
      : [asked.shot]
    const fields: Partial<ShotRecord> = counts
      ? { strike: 'clean' }
      : { leftOut: asked.fault, strike: asked.fault === 'mishit' ? 'mishit' : null }
    return change(ids, fields, counts ? 'that it counts' : 'leaving a ball out')
  }

  /** A ball that was read in the other unit; of a run, all of them. One step to take back. */
  async function inOtherUnit(asked: OpenQuestion): Promise<Done> {
    const ids = asked.changed
      ? numbers.questions.value
          .filter(one => one.otherUnit !== undefined && one.changed && cellKey(one) === cellKey(asked))
          .map(one => one.shot)
      : [asked.shot]
    const before = record.records.filter(shot => ids.includes(shot.id))
    const done = did('the other unit', async () => {
      for (const { id, carryM, taken } of before) await record.changeShot(id, { carryM, taken })
    })
    for (const { id, carryM, readings, taken } of before)
      await record.changeShot(id, mended({ carryM, readings, taken }, { carryM: carryM * asked.otherUnit!, readings }))
    return done
  }

  /** Gives all balls to another session of the player; this one is shown no more. */
  async function mergeInto(otherId: string): Promise<Done> {
    const ids = record.records.filter(shot => shot.sessionId === sessionId).map(shot => shot.id)
    const put = async (to: string, gone: boolean) => {
      const now = session.value!
      const show = () =>
        record.putSession({
          ...now,
          plan: { ...now.plan, gone },
          endedAtMs: now.endedAtMs ?? serverNowMs(),
          version: now.version + 1,
        })
      // A session that is gone takes no balls: it goes after them, and is back before them.
      if (!gone) await show()
      for (const id of ids) await record.changeShot(id, { sessionId: to })
      if (gone) await show()
    }
    const done = did('merging two sessions', () => put(sessionId, false))
    await put(otherId, true)
    return done
  }

  return { openQuestions, perhapsBefore, change, settle, inOtherUnit, mergeInto }
}
