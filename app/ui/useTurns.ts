import { nextTask } from '~/ui/next-task'

/**
 * Lets the parts of a page come one after the other, each in a task of its own: drawn in one go they hold a slow phone
 * up for a second.
 * @param parts how many there are
 * @param begin when the first may come, after what stands without it
 * @returns how many have come
 */
export function useTurns(parts: number, begin: () => boolean) {
  const come = ref(0)
  whenever(
    begin,
    async () => {
      while (come.value < parts) {
        await nextTask()
        come.value++
        await nextTick()
      }
    },
    { immediate: true, once: true },
  )
  return come
}
