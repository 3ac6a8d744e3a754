import type { Bag, StruckOut } from '#core/bag/bag'
import type { SwingFlight, Rung } from '#core/swing/scale'
import { knownFraction, type SchoolId } from '#core/swing/schools'
import { typedNumber } from '~/ui/numbers'

/** A club as it is being typed: the loft is text until it is saved, so that nothing typed is lost. */
export interface DraftClub {
  id: string
  label: string
  name: string
  loft: string
  retired: boolean
}

/** A swing length as it is being typed; the share is text in per cent, empty for the school's own. */
export interface DraftRung {
  id: string
  label: string
  cue: string
  feels: string
  school?: SchoolId
  flight: SwingFlight
  share: string
  /** What its name said when it was chosen, of full: kept when the name is changed to one that says nothing. */
  chosen?: number
  retired: boolean
}

export interface BagDraft {
  clubs: DraftClub[]
  school: SchoolId
  /** Shortest first, as in the bag. */
  rungs: DraftRung[]
  struckOut: StruckOut[]
  /** What was typed here of what the player believes, by `cellKey`, metres: said once the bag is saved. */
  believed: Record<string, TypedBelief>
}

export interface TypedBelief {
  carryM: number
  carryToM?: number
}

/**
 * What a wedge of this loft is usually called (common practice), for a club that has no name yet.
 * @example usualName(56) // => 'sand wedge'
 */
export function usualName(loftDeg: number): string {
  if (loftDeg >= 58 && loftDeg <= 64) return 'lob wedge'
  if (loftDeg >= 54 && loftDeg < 58) return 'sand wedge'
  if (loftDeg >= 49 && loftDeg < 54) return 'gap wedge'
  return loftDeg >= 43 && loftDeg < 49 ? 'pitching wedge' : ''
}

/** Clubs of a draft that are in use, most loft first; one whose loft is none yet stands last. */
export function draftClubsInUse(draft: BagDraft): DraftClub[] {
  const loft = (club: DraftClub) => {
    const value = fieldNumber(club.loft)
    return typeof value === 'number' ? value : -1
  }
  return draft.clubs.filter(club => !club.retired).sort((a, b) => loft(b) - loft(a))
}

/** What becomes of the balls of something retired. */
export function keptWords(balls: number): string {
  if (balls === 0) return 'its undone balls are kept'
  return balls === 1 ? 'its ball is kept' : `its ${balls} balls are kept`
}

/** Up to four decimals, no trailing zeros, a point: what a number looks like in a field. */
function fieldText(value: number): string {
  return String(Number(value.toFixed(4)))
}

/** A number from a field; text that is none stays as it is, for the error to quote; nothing is undefined. */
export function fieldNumber(text: string): number | string | undefined {
  const trimmed = text.trim()
  if (trimmed === '') return undefined
  const value = typedNumber(trimmed.replace(/\s*[°%]$/, ''))
  return Number.isNaN(value) ? trimmed : value
}

export function draftRung(rung: Rung, scaleSchool: SchoolId): DraftRung {
  const { id, label, cue, feels = '', school, flight, fraction, retired } = rung
  const chosen = knownFraction(school ?? scaleSchool, label)
  return {
    id,
    label,
    cue,
    feels,
    ...(school && { school }),
    flight,
    share: fraction === undefined ? '' : fieldText(fraction * 100),
    ...(chosen !== undefined && { chosen }),
    retired,
  }
}

export function draftOf(bag: Bag): BagDraft {
  return {
    clubs: bag.clubs.map(({ id, label, name, loftDeg, retired }) => ({
      id,
      label,
      name,
      loft: fieldText(loftDeg),
      retired,
    })),
    school: bag.scale.school,
    rungs: bag.scale.rungs.map(rung => draftRung(rung, bag.scale.school)),
    struckOut: bag.struckOut.map(cell => ({ ...cell })),
    believed: {},
  }
}

/** What is sent: numbers where numbers were typed, the text itself where not, for the schema to refuse by name. */
export function changeOf(draft: BagDraft, version: number) {
  return {
    version,
    clubs: draft.clubs.map(({ id, label, name, loft, retired }) => ({
      id,
      label,
      name,
      loftDeg: fieldNumber(loft),
      retired,
    })),
    scale: {
      school: draft.school,
      rungs: draft.rungs.map(({ id, label, cue, feels, school, flight, share, chosen, retired }) => {
        const percent = fieldNumber(share)
        const kept = knownFraction(school ?? draft.school, label) === undefined ? chosen : undefined
        return {
          id,
          label,
          cue,
          feels,
          ...(school && { school }),
          flight,
          fraction: typeof percent === 'number' ? percent / 100 : (percent ?? kept),
          retired,
        }
      }),
    },
    struckOut: draft.struckOut,
  }
}

/** What differs between two bags, in words a coach reads, for "changed on another page". */
export function differences(mine: BagDraft, theirs: BagDraft): string[] {
  const lines: string[] = []
  if (mine.school !== theirs.school) lines.push('The swing scale is of another school.')
  const compare = <T extends { id: string; label: string }>(here: T[], there: T[], fields: [keyof T, string][]) => {
    for (const other of there) {
      const own = here.find(entry => entry.id === other.id)
      if (!own) lines.push(`Theirs has ${other.label}, yours does not.`)
      else
        for (const [field, word] of fields)
          if (own[field] !== other[field])
            lines.push(`${other.label}: ${word} is "${String(other[field])}" there, "${String(own[field])}" here.`)
    }
    for (const own of here)
      if (!there.some(other => other.id === own.id))
        lines.push(`Yours has ${own.label || 'a new entry'}, theirs does not.`)
  }
  compare(mine.clubs, theirs.clubs, [
    ['label', 'label'],
    ['name', 'name'],
    ['loft', 'loft'],
    ['retired', 'retired'],
  ])
  compare(mine.rungs, theirs.rungs, [
    ['label', 'name'],
    ['cue', 'cue'],
    ['feels', 'feel'],
    ['flight', 'flight'],
    ['share', 'share'],
    ['retired', 'retired'],
  ])
  if (JSON.stringify(mine.struckOut) !== JSON.stringify(theirs.struckOut)) lines.push('Other stock shots are not used.')
  return lines
}
