import type { Ref } from 'vue'
import { v7 as newId } from 'uuid'
import { CALLED_SPEED, rungSpeedMs } from '#core/swing/called-speed'
import { knownFraction, type SchoolId } from '#core/swing/schools'
import { starterRungs, type SwingFlight } from '#core/swing/scale'
import { draftClubsInUse, draftRung, type BagDraft, type DraftRung } from '~/player/bag-draft'

/**
 * The swing scale of a bag that is being edited.
 * @param ballsOf balls on record of a swing length, by its id: one that has any is retired, never gone
 */
export function useScaleDraft(draft: Ref<BagDraft>, ballsOf: (rungId: string) => number) {
  function removeRung(id: string): void {
    const rung = draft.value.rungs.find(r => r.id === id)!
    if (ballsOf(id) > 0) rung.retired = true
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
  ): string {
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
    return rung.id
  }

  /**
   * A second shot of the same length with these clubs alone: a low one stands below the normal one, a high one above.
   */
  function addFlight(rungId: string, flight: SwingFlight, clubIds: ReadonlySet<string>): void {
    const at = draft.value.rungs.findIndex(rung => rung.id === rungId)
    const of = draft.value.rungs[at]!
    const id = newId()
    draft.value.rungs.splice(flight === 'low' ? at : at + 1, 0, { ...toRaw(of), id, flight, cue: '', feels: '' })
    const without = draftClubsInUse(draft.value).filter(club => !clubIds.has(club.id))
    draft.value.struckOut.push(...without.map(club => ({ clubId: club.id, rungId: id })))
  }

  /** @param to its new place in the scale, shortest first */
  function moveRung(id: string, to: number): void {
    const { rungs } = draft.value
    const from = rungs.findIndex(rung => rung.id === id)
    rungs.splice(to, 0, ...rungs.splice(from, 1))
  }

  return { removeRung, chooseSchool, addRung, addFlight, moveRung }
}
