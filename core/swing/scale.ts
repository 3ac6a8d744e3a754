import { pow } from '../stats/exact'
import { CARRY_POWER_OF_SPEED, rungSpeedMs } from './called-speed'
import { knownFraction, schoolById, type SchoolId } from './schools'

export const FLIGHTS = ['low', 'normal', 'high'] as const
export type SwingFlight = (typeof FLIGHTS)[number]

/** One swing length of a player's scale. */
export interface Rung {
  id: string
  label: string
  /** In the player's own words: what to look or feel for. */
  cue: string
  /** What the player feels it as, where that is not what is seen: "pocket" for a belt. */
  feels?: string
  /** Set when the rung comes from another school than its scale's. */
  school?: SchoolId
  flight: SwingFlight
  /** The coach's own share of the full carry; undefined takes the school's. */
  fraction?: number
  /** Retired rungs keep their shots and leave the grid. */
  retired: boolean
}

/** A player's swing scale: rungs from the shortest to the longest. */
export interface SwingScale {
  school: SchoolId
  rungs: Rung[]
}

/** What to look for and what it feels like, in one line; empty when neither was said. */
export function rungCue({ cue, feels }: Pick<Rung, 'cue' | 'feels'>): string {
  return [cue, feels && `feels like ${feels}`].filter(Boolean).join(', ')
}

// Custom names say nothing of length: spread them evenly over the usual span (common practice).
const UNKNOWN_FROM = 0.45

/**
 * The share of the full carry of every rung in use, shortest first as listed.
 * The coach's own share comes first, then the school's, then an even spread by place for the rungs that have neither.
 * A called club speed is taken as its share of the fastest one that is called.
 * @returns one share per rung of `rungs`, same order; `known` is false where it was spread
 * @example rungFractions({ school: 'custom', rungs: [{ label: 'little' }, { label: 'much' }] })[0].fraction // => 0.45
 */
export function rungFractions(scale: SwingScale): { fraction: number; known: boolean }[] {
  const n = scale.rungs.length
  const speeds = scale.rungs.map(rung => rungSpeedMs(rung, scale.school) ?? 0)
  const fastest = Math.max(...speeds)
  return scale.rungs.map((rung, i) => {
    const bySpeed = speeds[i]! > 0 ? pow(speeds[i]! / fastest, CARRY_POWER_OF_SPEED) : undefined
    const own = rung.fraction ?? bySpeed ?? knownFraction(rung.school ?? scale.school, rung.label)
    if (own !== undefined) return { fraction: own, known: true }
    return { fraction: n === 1 ? 1 : UNKNOWN_FROM + ((1 - UNKNOWN_FROM) * i) / (n - 1), known: false }
  })
}

/** "9:00", "9:00 low": what a rung is called where two flights of one length stand side by side. */
export function rungName(rung: Pick<Rung, 'label' | 'flight'>): string {
  return rung.flight === 'normal' ? rung.label : `${rung.label} ${rung.flight}`
}

/** The rungs a new scale of this school starts with, shortest first, ids handed in by the caller. */
export function starterRungs(school: SchoolId, presetId: string, newId: () => string): Rung[] {
  const presets = schoolById(school).presets
  const preset = presets.find(p => p.id === presetId) ?? presets[0]!
  return preset.rungs
    .filter(r => r.starter)
    .map(r => ({ id: newId(), label: r.label, cue: r.cue, flight: 'normal', retired: false }))
}

/**
 * The first two neighbours by known share whose listed order is not from short to long: a slip worth a word.
 * @returns the earlier one, which usually goes further, and the later one; null where the order holds
 * @example outOfOrder({ school: 'clock', rungs: [{ label: '9:00' }, { label: '7:30' }] })?.shorter.label // => '7:30'
 */
export function outOfOrder(scale: SwingScale): { longer: Rung; shorter: Rung } | null {
  const shares = rungFractions(scale)
  const known = scale.rungs.flatMap((rung, i) => (shares[i]!.known ? [{ rung, fraction: shares[i]!.fraction }] : []))
  const at = known.findIndex(({ fraction }, i) => i > 0 && fraction < known[i - 1]!.fraction)
  return at < 0 ? null : { longer: known[at - 1]!.rung, shorter: known[at]!.rung }
}
