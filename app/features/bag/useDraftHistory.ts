import type { Ref } from 'vue'
import type { BagDraft } from '~/player/bag-draft'

const TYPING_PAUSE_MS = 600
const MOST_STEPS = 200

/** What is there and in which order, without the text in the fields. */
function shapeOf({ clubs, rungs, school, struckOut, believed }: BagDraft): string {
  return JSON.stringify([
    clubs.map(c => [c.id, c.retired]),
    rungs.map(r => [r.id, r.retired, r.flight]),
    school,
    struckOut,
    believed,
  ])
}

/**
 * Steps to take back. Each thing added, moved or removed is one; what is typed in one go is one of its own, also when
 * a move follows at once. (A history that looks only at pauses, as libraries offer, takes both back together.)
 */
export function useDraftHistory(draft: Ref<BagDraft>) {
  const past = shallowRef<string[]>([])
  const future = shallowRef<string[]>([])
  /** The state that is kept, and what has been typed since. */
  const kept = ref(JSON.stringify(draft.value))
  const typed = ref<string | null>(null)
  let shape = shapeOf(draft.value)

  function keep(state: string): void {
    if (state === kept.value) return
    past.value = [...past.value.slice(1 - MOST_STEPS), kept.value]
    future.value = []
    kept.value = state
  }

  function keepTyped(): void {
    if (typed.value !== null) keep(typed.value)
    typed.value = null
  }
  const keepAfterTyping = useDebounceFn(keepTyped, TYPING_PAUSE_MS)

  watch(
    draft,
    () => {
      const now = JSON.stringify(draft.value)
      const sameShape = shapeOf(draft.value) === shape
      shape = shapeOf(draft.value)
      if (now === kept.value) {
        typed.value = null
      } else if (sameShape) {
        typed.value = now
        void keepAfterTyping()
      } else {
        keepTyped()
        keep(now)
      }
    },
    { deep: true },
  )

  function go(from: Ref<string[]>, to: Ref<string[]>): void {
    keepTyped()
    const state = from.value.at(-1)
    if (state === undefined) return
    from.value = from.value.slice(0, -1)
    to.value = [...to.value, kept.value]
    kept.value = state
    draft.value = JSON.parse(state) as BagDraft
  }

  return {
    canUndo: computed(() => past.value.length > 0 || typed.value !== null),
    canRedo: computed(() => future.value.length > 0),
    undo: () => go(past, future),
    redo: () => go(future, past),
    /** Begins anew from the draft as it is. */
    clear: () => {
      past.value = []
      future.value = []
      typed.value = null
      kept.value = JSON.stringify(draft.value)
    },
  }
}
