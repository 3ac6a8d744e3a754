import type { SessionBalls } from '~/player/useSessionBalls'
import { usePlayerRecord } from '~/offline/stores/record'
import { serverNowMs } from '~/offline/server-clock'

/** Ends a session, and takes that back: it goes on. */
export function useSessionEnd({ session }: Pick<SessionBalls, 'session'>) {
  const record = usePlayerRecord()
  const put = (endedAtMs: number | null) =>
    record.putSession({ ...session.value!, endedAtMs, version: session.value!.version + 1 })
  return { end: () => put(serverNowMs()), goOn: () => put(null) }
}
