import type { Thresholds } from '#shared/schemas/player'
import { usePlayerRecord } from '~/offline/stores/record'
import { api } from '~/offline/api'

/** The open player's own settings, changed on the server. */
export function useThresholds() {
  const record = usePlayerRecord()
  /** What is undefined goes back to usual. @throws Refused or Unreachable */
  async function changeThresholds(change: Partial<Thresholds>): Promise<void> {
    const { version, thresholds } = record.player!
    record.player = await api('/api/players/:playerId', {
      params: { playerId: record.playerId },
      method: 'PATCH',
      body: { version, thresholds: { ...thresholds, ...change } },
    })
  }
  return { changeThresholds }
}
