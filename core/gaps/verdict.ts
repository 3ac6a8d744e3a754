import type { Finding } from './flag'
import { flagRule } from './flags'
import { stretches, type CoverAt } from './stretches'
import type { Unproven } from './unproven'

/** What a whole chart comes to, in one sentence. */
export interface Verdict {
  /** The longest stretch that nothing is said against, metres; null without one. */
  sound: { fromM: number; toM: number } | null
  /** That stretch is all of the cover. */
  whole: boolean
  /** At most targets even the best shot leaves more than is acceptable. */
  mostBeyond: boolean
}

interface Stretch {
  fromM: number
  toM: number
}

const EDGE_M = 1e-6
const inside = (atM: number, { fromM, toM }: Stretch) => atM >= fromM - EDGE_M && atM <= toM + EDGE_M

/** Fewer targets than these are no stretch to speak of. Our choice. */
const LEAST_TARGETS = 5

/**
 * The longest stretch whose best shot leaves no more than is acceptable, that is proven, and that no open flag about
 * yardages speaks of. Flags about clubs or the player stand for themselves.
 * @param open flags that ask something of the coach
 */
export function verdictOf(
  at: readonly CoverAt[],
  lineM: number,
  open: readonly Finding[],
  unproven: readonly Unproven[],
): Verdict {
  const spoken = open.filter(({ flag }) => ['stretch', 'step'].includes(flagRule(flag).meta.speaksOf))
  const faults: Stretch[] = [...spoken.filter(({ flag }) => flagRule(flag).meta.kind !== 'overlap'), ...unproven]
  const runs = stretches(at, one =>
    one.leaveM <= lineM && !faults.some(fault => inside(one.atM, fault)) ? 'sound' : null,
  )
  const longest = runs.reduce<CoverAt[]>((most, { all }) => (all.length > most.length ? all : most), [])
  const mostBeyond = 2 * at.filter(one => one.leaveM > lineM).length > at.length
  if (longest.length < LEAST_TARGETS) return { sound: null, whole: false, mostBeyond }
  return {
    sound: { fromM: longest[0]!.atM, toM: longest.at(-1)!.atM },
    whole: longest.length === at.length,
    mostBeyond,
  }
}
