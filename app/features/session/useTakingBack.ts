import type { SessionBalls } from '~/player/useSessionBalls'
import { useCellNames } from '~/calculation/useNumbers'
import { usePlayerRecord } from '~/offline/stores/record'

/** Something that was done, and how it is taken back. */
export interface Done {
  words: string
  back: () => Promise<void>
}

/** So many steps can be taken back. */
const MOST_STEPS = 100

/** What was done in a session, newest last, to be taken back. */
export function useTakingBack({ balls, newestFirst }: SessionBalls) {
  const record = usePlayerRecord()
  const { cellName } = useCellNames()
  const undoStack = shallowRef<Done[]>([])

  function did(words: string, back: () => Promise<void>): Done {
    const done = { words, back }
    undoStack.value = [...undoStack.value.slice(1 - MOST_STEPS), done]
    return done
  }

  /**
   * Takes a thing back, the last one unless another is named. @returns what it was, or null when there is nothing to
   * take back
   */
  async function undo(which?: Done): Promise<string | null> {
    const last = which ?? undoStack.value.at(-1)
    if (last) {
      // Taken back by its own button and by the key: once is enough.
      if (!undoStack.value.includes(last)) return null
      undoStack.value = undoStack.value.filter(done => done !== last)
      await last.back()
      return last.words
    }
    // After a reload the balls themselves are the memory: the newest one goes.
    const newest = newestFirst.value[0]
    if (!newest) return null
    await record.changeShot(newest.id, { deleted: true })
    return `the ball with ${cellName(newest)}`
  }

  const canUndo = computed(() => undoStack.value.length > 0 || balls.value.length > 0)
  return { did, undo, canUndo }
}

export type TakingBack = ReturnType<typeof useTakingBack>
