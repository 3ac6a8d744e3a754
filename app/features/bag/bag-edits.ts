import { v7 as newId } from 'uuid'
import { cellKey, type StockShot } from '#core/bag/bag'
import type { Shot } from '#core/shot/shot'
import { fieldNumber, usualName, type BagDraft, type TypedBelief } from '~/player/bag-draft'

/** What is done to the clubs and stock shots of a bag that is being edited. @param shotsNow all balls of the player */
export function bagEdits(draft: Ref<BagDraft>, shotsNow: () => readonly Shot[]) {
  const ballsOf = (key: 'clubId' | 'rungId', id: string) =>
    shotsNow()
      .filter(shot => shot[key] === id)
      .reduce((sum, shot) => sum + shot.balls, 0)

  /** @returns its id */
  function addClub(loft = ''): string {
    const id = newId()
    draft.value.clubs.push({
      id,
      label: loft && `${loft}°`,
      name: loft && usualName(Number(loft)),
      loft,
      retired: false,
    })
    return id
  }

  /** Label and name follow the loft until the coach gives them others. */
  function setLoft(id: string, loft: string): void {
    const club = draft.value.clubs.find(c => c.id === id)!
    const before = fieldNumber(club.loft)
    const labelFollows = club.label === '' || club.label === `${club.loft}°`
    const nameFollows = club.name === '' || (typeof before === 'number' && club.name === usualName(before))
    club.loft = loft
    const now = fieldNumber(loft)
    if (labelFollows) club.label = loft.trim() === '' ? '' : `${loft.trim().replace(/°$/, '')}°`
    if (nameFollows) club.name = typeof now === 'number' ? usualName(now) : ''
  }

  function setBelieved(cell: StockShot, belief: TypedBelief): void {
    draft.value.believed = { ...draft.value.believed, [cellKey(cell)]: belief }
  }

  function forgetBelieved(cell: StockShot): void {
    const { [cellKey(cell)]: _gone, ...others } = draft.value.believed
    draft.value.believed = others
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

  function toggleStruckOut(clubId: string, rungId: string): void {
    const at = draft.value.struckOut.findIndex(cell => cell.clubId === clubId && cell.rungId === rungId)
    if (at < 0) draft.value.struckOut.push({ clubId, rungId })
    else draft.value.struckOut.splice(at, 1)
  }

  return { ballsOf, addClub, setLoft, setBelieved, forgetBelieved, removeClub, toggleStruckOut }
}
