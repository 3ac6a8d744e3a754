import { v7 as newId } from 'uuid'
import type { Bag } from '#core/bag/bag'
import { CALLED_SPEED, rungSpeedMs } from '#core/swing/called-speed'
import { knownFraction, type SchoolId } from '#core/swing/schools'
import { starterRungs, type SwingFlight } from '#core/swing/scale'
import { BagForm } from '#shared/bag'
import { changeOf, draftOf, draftRung, type BagDraft, type DraftRung } from '~/utils/bag-draft'
import { Refused, api } from '~/utils/api'
import { useDraftHistory } from '~/composables/useDraftHistory'
import { useFormErrors } from '~/composables/useFormErrors'
import { usePlayerRecord } from '~/stores/record'

interface Kept {
  version: number
  draft: BagDraft
}

/** The bag as it is being edited: kept in the browser until it is saved, each change undoable. */
export function useBagDraft(playerId: string) {
  const record = usePlayerRecord()
  const toast = useToast()
  const kept = useLocalStorage<Kept | null>(`uzzet-bag-${playerId}`, null, {
    serializer: { read: text => JSON.parse(text) as Kept, write: value => JSON.stringify(value) },
  })
  const draft = ref<BagDraft>(kept.value?.draft ?? draftOf(record.bag))
  const version = ref(kept.value?.version ?? record.bagVersion)
  /** True when this visit began with changes from an earlier one. */
  const resumed = ref(kept.value !== null)
  const theirs = shallowRef<{ bag: Bag; bagVersion: number }>()
  const busy = ref(false)
  const formErrors = useFormErrors()
  const { undo, redo, canUndo, canRedo, clear } = useDraftHistory(draft)

  const dirty = computed(() => JSON.stringify(draft.value) !== JSON.stringify(draftOf(record.bag)))
  watch(
    [draft, dirty],
    () => {
      kept.value = dirty.value ? { version: version.value, draft: draft.value } : null
    },
    { deep: true },
  )
  // The newest bag arrives behind a page that was open already: take it unless something was changed here.
  watch(
    () => record.bagVersion,
    () => !kept.value && !busy.value && start(record.bag, record.bagVersion),
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

  async function save(): Promise<void> {
    const value = formErrors.check(BagForm, changeOf(draft.value, version.value))
    if (!value) return
    busy.value = true
    const sent = JSON.stringify(draft.value)
    try {
      const saved = await api('/api/players/:playerId/bag', { params: { playerId }, method: 'PUT', body: value })
      record.takeBag(saved)
      // What was changed while the answer was under way stays, on top of what is saved now.
      if (JSON.stringify(draft.value) === sent) start(saved.bag, saved.bagVersion)
      else version.value = saved.bagVersion
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

  const ballsOf = (key: 'clubId' | 'rungId', id: string) =>
    record.shots.filter(shot => shot[key] === id).reduce((sum, shot) => sum + shot.balls, 0)

  function addClub(loft = ''): void {
    draft.value.clubs.push({ id: newId(), label: loft && `${loft}°`, name: '', loft, retired: false })
  }

  /** Out of the bag: retired when it has balls, gone when it has none. */
  function removeClub(id: string): void {
    const club = draft.value.clubs.find(c => c.id === id)!
    if (ballsOf('clubId', id) > 0) club.retired = true
    else {
      draft.value.clubs = draft.value.clubs.filter(c => c.id !== id)
      draft.value.struckOut = draft.value.struckOut.filter(cell => cell.clubId !== id)
    }
  }

  function removeRung(id: string): void {
    const rung = draft.value.rungs.find(r => r.id === id)!
    if (ballsOf('rungId', id) > 0) rung.retired = true
    else {
      draft.value.rungs = draft.value.rungs.filter(r => r.id !== id)
      draft.value.struckOut = draft.value.struckOut.filter(cell => cell.rungId !== id)
    }
  }

  /** Starts the scale anew in a school. Swings with balls are retired, the others go. */
  function chooseSchool(school: SchoolId, presetId: string): void {
    for (const rung of [...draft.value.rungs]) removeRung(rung.id)
    // A retired swing of this very school comes back rather than standing twice.
    const fresh = starterRungs(school, presetId, newId).map(rung => draftRung(rung, school))
    const retired = draft.value.rungs
    for (const old of retired.filter(r => (r.school ?? draft.value.school) !== school))
      old.school ??= draft.value.school
    draft.value.rungs = [
      ...fresh.map(rung => revived(retired, rung) ?? rung),
      ...retired.filter(old => !fresh.some(rung => revived([old], rung))),
    ]
    draft.value.school = school
  }

  function revived(retired: DraftRung[], rung: DraftRung): DraftRung | undefined {
    const old = retired.find(r => r.label.toLowerCase() === rung.label.toLowerCase() && r.flight === rung.flight)
    return old && Object.assign(old, { retired: false })
  }

  function shareOf(rung: DraftRung): number | undefined {
    const own = Number(rung.share)
    if (rung.share !== '' && own > 0) return own / 100
    const speedMs = rungSpeedMs(rung, draft.value.school)
    if (speedMs !== undefined) return speedMs / CALLED_SPEED.mostMs
    return knownFraction(rung.school ?? draft.value.school, rung.label) ?? rung.chosen
  }

  /** Puts a swing length where its share of full belongs, else at the long end. */
  function addRung(
    label: string,
    cue: string,
    school: SchoolId | undefined,
    flight: SwingFlight = 'normal',
    share = '',
  ): void {
    const rung: DraftRung = {
      id: newId(),
      label,
      cue,
      feels: '',
      ...(school && school !== draft.value.school && { school }),
      flight,
      share,
      retired: false,
    }
    const says = knownFraction(school ?? draft.value.school, label)
    if (says !== undefined) rung.chosen = says
    const own = shareOf(rung)
    const at = own === undefined ? -1 : draft.value.rungs.findIndex(other => (shareOf(other) ?? 0) > own)
    draft.value.rungs.splice(at < 0 ? draft.value.rungs.length : at, 0, rung)
  }

  /** A second shot of the same length, flown low or high, beside the first. */
  function addFlight(of: DraftRung, flight: SwingFlight): void {
    const at = draft.value.rungs.indexOf(of)
    draft.value.rungs.splice(at + 1, 0, { ...toRaw(of), id: newId(), flight, cue: '', feels: '' })
  }

  function toggleStruckOut(clubId: string, rungId: string): void {
    const at = draft.value.struckOut.findIndex(cell => cell.clubId === clubId && cell.rungId === rungId)
    if (at < 0) draft.value.struckOut.push({ clubId, rungId })
    else draft.value.struckOut.splice(at, 1)
  }

  return {
    draft,
    dirty,
    resumed,
    theirs,
    busy,
    errors: formErrors,
    undo,
    redo,
    canUndo,
    canRedo,
    save,
    keepMine,
    takeTheirs,
    discard: () => start(record.bag, record.bagVersion),
    ballsOf,
    addClub,
    removeClub,
    removeRung,
    chooseSchool,
    addRung,
    addFlight,
    toggleStruckOut,
  }
}

export type BagEditor = ReturnType<typeof useBagDraft>
