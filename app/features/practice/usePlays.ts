import { todayOfAir } from '#core/flight/session-air'
import { playsLike } from '#core/flight/neutral'
import { useDistance } from '~/ui/useDistance'
import { usePlayerRecord } from '~/offline/stores/record'
import { serverNowMs } from '~/offline/server-clock'

/** Air older than this is another day's. */
const HOLDS_MS = 6 * 3_600_000

/** What a target plays like in the air that was taken last with the open player today: "plays 75". */
export function usePlays() {
  const record = usePlayerRecord()
  const { whole } = useDistance()
  const air = computed(() => {
    const all = record.sessions.flatMap(session => session.air).sort((a, b) => b.fromMs - a.fromMs)
    return all[0] && serverNowMs() - all[0].fromMs < HOLDS_MS ? all[0] : null
  })
  return (targetM: number): string => {
    const found = air.value ? playsLike(targetM, { ...todayOfAir(air.value), targetHeightM: 0 }) : null
    return found && whole(found.carryM) !== whole(targetM) ? `plays ${whole(found.carryM)}` : ''
  }
}
