import type { SessionBalls } from '~/composables/session/useSessionBalls'
import { usePlayerRecord } from '~/stores/record'
import { serverNowMs } from '~/utils/server-clock'

/** Ends a session, and takes that back: it goes on. */
export function useSessionEnd({ session }: Pick<SessionBalls, 'session'>) {
  const record = usePlayerRecord()
  const put = (endedAtMs: number | null) =>
    record.putSession({ ...session.value!, endedAtMs, version: session.value!.version + 1 })
  return { end: () => put(serverNowMs()), goOn: () => put(null) }
}
