/** The player of the address, opened. Pages under /players/[playerId] call it once. */
export function usePlayerRoute() {
  const route = useRoute()
  const record = usePlayerRecord()
  const playerId = computed(() => String((route.params as { playerId: string }).playerId))
  watch(playerId, id => id && void record.open(id), { immediate: true })
  return { playerId, record }
}
