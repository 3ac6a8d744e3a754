import type { ShotRecord } from '#shared/schemas/session'
import { usePlayerRecord } from '~/offline/stores/record'

/** One range session of the open player, and its balls. */
export function useSessionBalls(sessionId: string) {
  const record = usePlayerRecord()
  const session = computed(() => record.sessions.find(other => other.id === sessionId))
  const balls = computed(() => record.records.filter(shot => shot.sessionId === sessionId && !shot.deleted))
  const newestFirst = computed<ShotRecord[]>(() =>
    [...balls.value].sort((a, b) => b.hitAtMs - a.hitAtMs || (a.id < b.id ? 1 : -1)),
  )
  return { session, balls, newestFirst }
}

export type SessionBalls = ReturnType<typeof useSessionBalls>
