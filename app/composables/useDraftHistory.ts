import type { Ref } from 'vue'
import type { BagDraft } from '~/utils/bag-draft'

const TYPING_PAUSE_MS = 600

/** What is there and in which order, without the text in the fields. */
function shapeOf({ clubs, rungs, school, struckOut }: BagDraft): string {
  return JSON.stringify([clubs.map(c => [c.id, c.retired]), rungs.map(r => [r.id, r.retired, r.flight]), school, struckOut])
}

/** Steps to take back: each thing added, moved or removed is one, and so is what was typed in one go. */
export function useDraftHistory(draft: Ref<BagDraft>) {
  const history = useManualRefHistory(draft, {
    // The draft is plain data, deep in reactive wrappers that structuredClone refuses.
    clone: value => JSON.parse(JSON.stringify(value)) as BagDraft,
    capacity: 200,
  })
  const { last, commit, clear } = history
  const changed = () => JSON.stringify(draft.value) !== JSON.stringify(last.value.snapshot)

  function keep(): void {
    if (changed()) commit()
  }
  const keepAfterTyping = useDebounceFn(keep, TYPING_PAUSE_MS)

  watch(draft, () => {
    if (shapeOf(draft.value) !== shapeOf(last.value.snapshot)) keep()
    else void keepAfterTyping()
  }, { deep: true })

  return {
    canUndo: computed(() => history.canUndo.value || changed()),
    canRedo: history.canRedo,
    clear: () => {
      commit()
      clear()
    },
    undo: () => {
      keep()
      history.undo()
    },
    redo: () => {
      keep()
      history.redo()
    },
  }
}
