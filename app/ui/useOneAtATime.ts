/** One piece of work at a time: a second press while the first is under way does nothing. */
export function useOneAtATime() {
  const busy = ref(false)
  async function run(work: () => Promise<void>): Promise<void> {
    if (busy.value) return
    busy.value = true
    try {
      await work()
    } finally {
      busy.value = false
    }
  }
  return { busy, run }
}
