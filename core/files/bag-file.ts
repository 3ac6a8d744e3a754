import type { Bag, StockShot } from '../bag/bag'
import { schoolById, SCHOOL_IDS, type SchoolId } from '../swing/schools'
import { rungName, type SwingFlight } from '../swing/scale'

/** The bag as it stands in a file: labels instead of ids. Checked before it comes here. */
export interface BagFile {
  format: 'uzzet-bag'
  version: 1
  player?: string
  level?: string
  clubs: { label: string; name?: string; loftDeg: number; retired?: boolean }[]
  scale: {
    school: SchoolId
    rungs: {
      label: string
      cue?: string
      feels?: string
      school?: SchoolId
      flight?: SwingFlight
      fraction?: number
      retired?: boolean
    }[]
  }
  struckOut?: { club: string; swing: string }[]
  /** What the player believes, metres; `carryToM` where it is a span. */
  believed?: { club: string; swing: string; carryM: number; carryToM?: number }[]
}

/** A stock carry that the player believes, by the ids of the bag. */
export interface Believed extends StockShot {
  carryM: number
  /** The far end, where a span is believed. */
  carryToM?: number
}

const toMillimetre = (m: number) => Math.round(m * 1000) / 1000

/**
 * The bag for a file. Keys that say nothing (no cue, normal flight, in use) are left away.
 * @param player and level as the file states them
 * @param believed of clubs and swing lengths that the bag has
 */
export function writeBagFile(bag: Bag, player: string, level: string, believed: readonly Believed[] = []): BagFile {
  const clubLabel = new Map(bag.clubs.map(club => [club.id, club.label]))
  const swingLabel = new Map(bag.scale.rungs.map(rung => [rung.id, rungName(rung)]))
  return {
    format: 'uzzet-bag',
    version: 1,
    player,
    level,
    clubs: bag.clubs.map(({ label, name, loftDeg, retired }) => ({
      label,
      ...(name && { name }),
      loftDeg,
      ...(retired && { retired }),
    })),
    scale: {
      school: bag.scale.school,
      rungs: bag.scale.rungs.map(({ label, cue, feels, school, flight, fraction, retired }) => ({
        label,
        ...(cue && { cue }),
        ...(feels && { feels }),
        ...(school && { school }),
        ...(flight !== 'normal' && { flight }),
        ...(fraction !== undefined && { fraction }),
        ...(retired && { retired }),
      })),
    },
    struckOut: bag.struckOut.map(cell => ({ club: clubLabel.get(cell.clubId)!, swing: swingLabel.get(cell.rungId)! })),
    ...(believed.length > 0 && {
      believed: believed.map(({ clubId, rungId, carryM, carryToM }) => ({
        club: clubLabel.get(clubId)!,
        swing: swingLabel.get(rungId)!,
        carryM: toMillimetre(carryM),
        ...(carryToM !== undefined && { carryToM: toMillimetre(carryToM) }),
      })),
    }),
  }
}

/**
 * The bag of a file, its labels serving as ids ("56°", "9:00", "9:00 low").
 * @throws RangeError when a struck-out cell names a club or swing length that the file does not have
 */
export function readBagFile(file: BagFile): Bag {
  if (!SCHOOL_IDS.includes(file.scale.school)) schoolById(file.scale.school)
  const bag: Bag = {
    clubs: file.clubs.map(club => ({
      id: club.label,
      label: club.label,
      name: club.name ?? '',
      loftDeg: club.loftDeg,
      retired: club.retired ?? false,
    })),
    scale: {
      school: file.scale.school,
      rungs: file.scale.rungs.map(rung => {
        const flight = rung.flight ?? 'normal'
        return {
          id: rungName({ label: rung.label, flight }),
          label: rung.label,
          cue: rung.cue ?? '',
          ...(rung.feels && { feels: rung.feels }),
          school: rung.school,
          flight,
          fraction: rung.fraction,
          retired: rung.retired ?? false,
        }
      }),
    },
    struckOut: [],
  }
  for (const { club, swing } of file.struckOut ?? []) {
    if (!bag.clubs.some(c => c.id === club)) throw new RangeError(`struckOut: club "${club}" is not in the bag`)
    if (!bag.scale.rungs.some(r => r.id === swing))
      throw new RangeError(`struckOut: swing "${swing}" is not on the scale`)
    bag.struckOut.push({ clubId: club, rungId: swing })
  }
  return bag
}

/**
 * What the player of a bag file believes, by the ids that `readBagFile` gives.
 * @throws RangeError when it names a club or swing length that the file does not have
 */
export function readBelieved(file: BagFile): Believed[] {
  const bag = readBagFile(file)
  return (file.believed ?? []).map(({ club, swing, carryM, carryToM }) => {
    if (!bag.clubs.some(c => c.id === club)) throw new RangeError(`believed: club "${club}" is not in the bag`)
    if (!bag.scale.rungs.some(r => r.id === swing))
      throw new RangeError(`believed: swing "${swing}" is not on the scale`)
    if (carryToM !== undefined && carryToM <= carryM)
      throw new RangeError(`believed: ${club} ${swing}: carryToM ${carryToM} is not above carryM ${carryM}`)
    return { clubId: club, rungId: swing, carryM, ...(carryToM !== undefined && { carryToM }) }
  })
}
