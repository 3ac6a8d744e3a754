import { cellKey, isStruckOut, type Bag } from './bag'
import { rungSpeedMs } from '../swing/called-speed'
import { rungName, type Rung } from '../swing/scale'

/**
 * One change of a bag that is made beside the work, from the board: a swing length added, one renamed, a stock shot
 * struck out or taken in again. It says what is to be true, so that made twice it is made once.
 */
export type BagStep =
  | { kind: 'add-rung'; rung: Rung; below: string | null }
  /** Takes back what was added; with balls it is kept as retired where the bag is stored. */
  | { kind: 'drop-rung'; rungId: string }
  | { kind: 'rename-rung'; rungId: string; label: string }
  | { kind: 'use'; clubId: string; rungId: string; used: boolean }

/** Why a step cannot be made. */
export type StepFault = 'name-taken' | 'no-such-rung' | 'no-such-club'

const nameKey = (rung: Pick<Rung, 'label' | 'flight'>) => rungName(rung).toLowerCase()

/**
 * A bag after a step; the bag itself stays as it is.
 * @returns the bag, the same one where the step was made already, or why it cannot be made
 * @example bagAfter({ clubs: [], scale: { rungs: [] }, struckOut: [] }, { kind: 'rename-rung', rungId: 'a', label: 'b' })
 * // => { fault: 'no-such-rung' }
 */
export function bagAfter(bag: Bag, step: BagStep): Bag | { fault: StepFault } {
  const { rungs } = bag.scale
  const taken = (name: string, but: string) => rungs.some(one => one.id !== but && nameKey(one) === name)
  if (step.kind === 'add-rung') {
    if (rungs.some(one => one.id === step.rung.id)) return bag
    if (taken(nameKey(step.rung), step.rung.id)) return { fault: 'name-taken' }
    const at = step.below === null ? -1 : rungs.findIndex(one => one.id === step.below)
    const place = at < 0 ? rungs.length : at
    return { ...bag, scale: { ...bag.scale, rungs: [...rungs.slice(0, place), step.rung, ...rungs.slice(place)] } }
  }
  if (step.kind === 'drop-rung') {
    if (!rungs.some(one => one.id === step.rungId)) return bag
    return {
      ...bag,
      scale: { ...bag.scale, rungs: rungs.filter(one => one.id !== step.rungId) },
      struckOut: bag.struckOut.filter(cell => cell.rungId !== step.rungId),
    }
  }
  const rung = rungs.find(one => one.id === step.rungId)
  if (!rung) return { fault: 'no-such-rung' }
  if (step.kind === 'rename-rung') {
    if (rung.label === step.label) return bag
    if (taken(nameKey({ ...rung, label: step.label }), rung.id)) return { fault: 'name-taken' }
    const named = { ...rung, label: step.label }
    // A name that calls no speed is one of the player's own.
    if (rungSpeedMs(rung, bag.scale.school) !== undefined && rungSpeedMs(named, bag.scale.school) === undefined)
      named.school = 'custom'
    const renamed = rungs.map(one => (one.id === rung.id ? named : one))
    return { ...bag, scale: { ...bag.scale, rungs: renamed } }
  }
  if (!bag.clubs.some(club => club.id === step.clubId)) return { fault: 'no-such-club' }
  const cell = { clubId: step.clubId, rungId: step.rungId }
  if (isStruckOut(bag, cell) !== step.used) return bag
  const others = bag.struckOut.filter(one => cellKey(one) !== cellKey(cell))
  return { ...bag, struckOut: step.used ? others : [...others, cell] }
}
