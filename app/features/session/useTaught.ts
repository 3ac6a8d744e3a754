import { cellKey } from '#core/bag/bag'
import type { CarryChart } from '#core/chart/chart-cell'
import { whatWasLearned, type Learned } from '#core/history/learned'
import { calibrationOptions, playerShots } from '#shared/calibration-input'
import type { SessionRecord } from '#shared/schemas/session'
import { calibrateOnce } from '~/calculation/useCalibrateOnce'
import { usePlayerRecord } from '~/offline/stores/record'

/**
 * What a session taught: the chart with its balls beside the chart before it, both as they were known then; what came
 * later does not tell.
 */
export function useTaught() {
  const record = usePlayerRecord()
  const within = (): number => calibrationOptions(record.player!.thresholds, 'monitor').withinM

  /** The chart of some sessions, looked at when the last of them began. */
  async function chartOf(
    sessions: readonly SessionRecord[],
    { startedAtMs, method }: SessionRecord,
  ): Promise<CarryChart> {
    const ids = new Set(sessions.map(session => session.id))
    const shots = record.records.filter(shot => ids.has(shot.sessionId))
    const { chart } = await calibrateOnce(
      playerShots(record.player!, toRaw(record.bag), [...sessions], shots, startedAtMs),
      calibrationOptions(record.player!.thresholds, method),
    )
    return chart
  }

  /** @throws Error with a sentence for the coach */
  async function taughtBy(session: SessionRecord): Promise<Learned> {
    const earlier = record.sessions.filter(
      other => other.id !== session.id && !other.plan.gone && other.startedAtMs < session.startedAtMs,
    )
    const before = await chartOf(earlier, session)
    const after = await chartOf([...earlier, session], session)
    const balls = record.shots.filter(ball => ball.sessionId === session.id)
    const hit = [...new Map(balls.map(ball => [cellKey(ball), ball])).values()]
    return whatWasLearned(before, after, hit, within())
  }
  return { taughtBy }
}
