import { v7 as newId } from 'uuid'
import type { StockShot } from '#core/bag/bag'
import { curveClassOf, curveDegOf } from '#core/shot/curve'
import { USUAL_PLAN } from '#shared/choices'
import type { SessionRecord, ShotRecord } from '#shared/schemas/session'
import type { GoRecord } from '#shared/schemas/practice'
import type { GoDesk } from '~/features/practice/useGo'
import { useLiveDevice } from '~/player/frame/useLiveDevice'
import { useLiveLine } from '~/player/frame/useLiveLine'
import { usePlayerRecord } from '~/offline/stores/record'
import { serverNowMs } from '~/offline/server-clock'

/** The session that a go's device sends into: its balls are kept apart until the coach says that they count. */
export const deviceSession = (name: string): SessionRecord => ({
  id: newId(),
  startedAtMs: serverNowMs(),
  endedAtMs: null,
  method: 'monitor',
  ball: 'own',
  surface: 'grass',
  air: [],
  plan: { ...USUAL_PLAN, name, warmUp: true },
  version: 1,
})

/** Balls of a live device for a go, each once. @param shot what is being hit, as far as it is known */
export function useGoDevice(
  sessionId: string,
  go: Ref<GoRecord>,
  desk: Pick<GoDesk, 'log' | 'place'>,
  shot: Ref<StockShot | null>,
) {
  const record = usePlayerRecord()
  const session = computed(() => record.sessions.find(({ id }) => id === sessionId))
  const live = useLiveDevice(sessionId, { session, cell: shot })
  function take({ id: shotId, clubId, rungId, carryM, readings, deleted }: ShotRecord): void {
    if (deleted || desk.place.value === null || go.value.balls.some(ball => ball.shotId === shotId)) return
    const curve = curveDegOf(readings ?? {}, carryM)
    desk.log({
      shotId,
      clubId,
      rungId,
      endM: carryM,
      ...(readings?.sideM !== undefined && { sideM: readings.sideM }),
      ...(readings?.clubSpeedMs !== undefined && { speedMs: readings.clubSpeedMs }),
      ...(readings?.launchDeg !== undefined && { launchDeg: readings.launchDeg }),
      ...(readings?.spinRpm !== undefined && { spinRpm: readings.spinRpm }),
      ...(curve !== null && { curve: curveClassOf(curve) }),
    })
  }
  /** One after the other: what is asked next is known only once the one before is in. */
  async function takeAll(shots: readonly ShotRecord[]): Promise<void> {
    for (const one of [...shots].sort((a, b) => a.hitAtMs - b.hitAtMs)) {
      take(one)
      await nextTick()
    }
  }
  const line = useLiveLine(
    () =>
      session.value?.endedAtMs === null ? `/api/players/${record.playerId}/sessions/${sessionId}/live` : undefined,
    message => {
      record.takeShots(message.shots)
      if (live.heard(message)) void takeAll(message.shots)
    },
    () => void record.open(record.playerId!),
  )
  // The line comes back with a record that holds what was sent meanwhile.
  watch(
    () => record.records.filter(one => one.sessionId === sessionId),
    shots => void takeAll(shots),
  )
  return { live, line }
}
