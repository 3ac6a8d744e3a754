import { cellKey, gridCells, type Bag } from '#core/bag/bag'
import { bagEdits } from '~/features/bag/bag-edits'
import { changeOf, draftOf, type BagDraft } from '~/player/bag-draft'
import { Refused, api } from '~/offline/api'
import { useCellRemarks } from '~/player/useCellRemarks'
import { useDraftHistory } from '~/features/bag/useDraftHistory'
import { useFormErrors } from '~/ui/useFormErrors'
import { useScaleDraft } from '~/features/bag/useScaleDraft'
import { usePlayerRecord } from '~/offline/stores/record'
import { formSchemas } from '~/ui/form-schemas'

interface Kept {
  version: number
  draft: BagDraft
}

const keptDraft = (playerId: string) =>
  useLocalStorage<Kept | null>(`uzzet-bag-${playerId}`, null, {
    serializer: { read: text => JSON.parse(text) as Kept, write: value => JSON.stringify(value) },
  })

/** What the player believes, as it was typed into the bag. */
function useBelieved(draft: Ref<BagDraft>) {
  const record = usePlayerRecord()
  const { put } = useCellRemarks()

  /** What was typed of what the player believes is said once the bag that it is about is saved. */
  async function sayBelieved(believed: BagDraft['believed']): Promise<void> {
    const cells = new Map(gridCells(record.bag).map(cell => [cellKey(cell), cell]))
    for (const [key, { carryM, carryToM }] of Object.entries(believed)) {
      const cell = cells.get(key)
      if (cell) await put(cell, 'believed', carryToM === undefined ? carryM : [carryM, carryToM], '')
    }
  }

  /** What is said need not be said again; what was typed over it meanwhile must. */
  function forgetSaid(said: BagDraft['believed']): void {
    const { believed } = draft.value
    const left = Object.entries(believed).filter(([key, one]) => JSON.stringify(said[key]) !== JSON.stringify(one))
    draft.value.believed = Object.fromEntries(left)
  }
  return { sayBelieved, forgetSaid }
}

/** The bag as it is being edited: kept in the browser until it is saved, each change undoable. */
export function useBagDraft(playerId: string) {
  const record = usePlayerRecord()
  const toast = useToast()
  const kept = keptDraft(playerId)
  // What was kept by a page of before knows no beliefs.
  const draft = ref<BagDraft>({ ...draftOf(record.bag), ...kept.value?.draft })
  const version = ref(kept.value?.version ?? record.bagVersion)
  /** True when this visit began with changes from an earlier one. */
  const resumed = ref(kept.value !== null)
  const theirs = shallowRef<{ bag: Bag; bagVersion: number }>()
  const busy = ref(false)
  const formErrors = useFormErrors()
  const { clear, ...history } = useDraftHistory(draft)

  const dirty = computed(() => JSON.stringify(draft.value) !== JSON.stringify(draftOf(record.bag)))
  watch(
    [draft, dirty, () => record.bagVersion] as const,
    ([, isDirty, newest], [, , before]) => {
      // The newest bag arrives behind a page that was open already: it is taken, unless something was changed here.
      if (newest !== before && !kept.value && !busy.value) start(record.bag, newest)
      else kept.value = isDirty ? { version: version.value, draft: draft.value } : null
    },
    { deep: true },
  )

  function start(bag: Bag, bagVersion: number): void {
    draft.value = draftOf(bag)
    version.value = bagVersion
    kept.value = null
    resumed.value = false
    theirs.value = undefined
    formErrors.clear()
    void nextTick(clear)
  }

  const { sayBelieved, forgetSaid } = useBelieved(draft)

  async function save(): Promise<void> {
    busy.value = true
    const sent = JSON.stringify(draft.value)
    try {
      const value = await formErrors.check(formSchemas.BagForm, changeOf(draft.value, version.value))
      if (!value) return
      const saved = await api('/api/players/:playerId/bag', { params: { playerId }, method: 'PUT', body: value })
      record.takeBag(saved)
      await sayBelieved((JSON.parse(sent) as BagDraft).believed)
      // What was changed while the answer was under way stays, on top of what is saved now.
      if (JSON.stringify(draft.value) === sent) start(saved.bag, saved.bagVersion)
      else {
        version.value = saved.bagVersion
        forgetSaid((JSON.parse(sent) as BagDraft).believed)
      }
      toast.add({ title: 'Bag saved', color: 'success', icon: 'i-lucide-check' })
    } catch (error) {
      formErrors.take(error)
      if (error instanceof Refused && error.status === 409)
        theirs.value = error.current as { bag: Bag; bagVersion: number }
    } finally {
      busy.value = false
    }
  }

  function keepMine(): Promise<void> {
    version.value = theirs.value!.bagVersion
    theirs.value = undefined
    return save()
  }

  function takeTheirs(): void {
    record.takeBag(theirs.value!)
    start(theirs.value!.bag, theirs.value!.bagVersion)
  }

  const edits = bagEdits(draft, () => record.shots)

  return {
    draft,
    dirty,
    resumed,
    theirs,
    busy,
    errors: formErrors,
    ...history,
    save,
    keepMine,
    takeTheirs,
    discard: () => start(record.bag, record.bagVersion),
    ...edits,
    ...useScaleDraft(draft, id => edits.ballsOf('rungId', id)),
  }
}

export type BagEditor = ReturnType<typeof useBagDraft>
