/**
 * Whether this browser has promised to keep what is stored here. It is asked once something waits to be sent: a browser
 * that asks its user back then has a reason to show.
 * @returns `promised`: null where nothing was asked yet, or the browser knows no such promise
 */
export function useKeptStorage(waits: () => boolean) {
  const promised = ref<boolean | null>(null)
  watch(
    waits,
    async isWaiting => {
      const storage = globalThis.navigator?.storage as StorageManager | undefined
      if (!isWaiting || promised.value !== null || !storage?.persist) return
      promised.value = (await storage.persisted()) || (await storage.persist())
    },
    { immediate: true },
  )
  return { promised }
}
