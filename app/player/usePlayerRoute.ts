import { usePlayerRecord } from '~/offline/stores/record'

/** The player of the address. The page of the player opens it; its stages only look. */
export function usePlayerRoute() {
  const route = useRoute()
  const record = usePlayerRecord()
  const playerId = computed(() => String((route.params as { playerId?: string }).playerId ?? ''))
  return { playerId, record }
}
