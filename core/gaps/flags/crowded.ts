import { SAY } from '../../model/constants'
import { groupBy } from '../../group-by'
import { yardsToMetres } from '../../units'
import { plainCell, SAME_M, type Finding, type FlagMeta, type FlagOptions, type FlagRule, type GapFacts } from '../flag'
import { neighbours, type LadderStep } from '../ladder'
import overlap from './overlap'

export const meta = {
  id: 'crowded',
  kind: 'overlap',
  weight: 4,
  about: 'bag',
  speaksOf: 'shots',
  helpedBy: ['calibrate', 'strike-out', 'take-out', 'bend'],
  variants: ['clubs'],
  staysOpen: true,
  settledWithin: yardsToMetres(3),
} as const satisfies FlagMeta

export const defaults = {}

const CLUBS = 3
const LIKELY = 0.9

/** Two clubs are held against each other where both have numbers with so many swing lengths. */
const LENGTHS = 3
/** One length at which they read so many times the limit apart, and they are two clubs. */
const APART_TIMES = 2

/** Three clubs or more that carry one number with one swing length, each as the next. */
function onOneNumber({ ladder, odds }: GapFacts, closestM: number): Finding[] {
  return [...groupBy(ladder, step => step.rungId).values()].flatMap(row => {
    const found: Finding[] = []
    for (let i = 0; i + CLUBS <= row.length; i++) {
      let j = i
      while (j + 1 < row.length && row[j + 1]!.carryM - row[i]!.carryM <= closestM + SAME_M) j++
      if (j - i + 1 < CLUBS) continue
      const cells = row.slice(i, j + 1)
      // Each on the number of the next: what is least sure of it stands for all.
      const probability = Math.min(...neighbours(cells).map(([a, b]) => odds.overlap(a, b, closestM)))
      found.push({
        flag: meta.id,
        sureness: probability >= SAY.overlap ? 'sure' : probability >= LIKELY ? 'likely' : 'open',
        probability,
        cells: cells.map(plainCell),
        data: { closestM },
        fromM: cells[0]!.carryM,
        toM: cells.at(-1)!.carryM,
        figure: cells.at(-1)!.carryM - cells[0]!.carryM,
      })
      i = j
    }
    return found
  })
}

type Pair = readonly [LadderStep, LadderStep]
const apartM = (pairs: readonly Pair[]) =>
  Math.abs(pairs.reduce((sum, [a, b]) => sum + b.carryM - a.carryM, 0)) / pairs.length

/** Stock shots of two clubs with the same swing length. */
function alike(one: readonly LadderStep[], other: readonly LadderStep[]): Pair[] {
  const byRung = new Map(other.map(step => [step.rungId, step]))
  return one.flatMap(step => {
    const same = byRung.get(step.rungId)
    return same ? [[step, same] as const] : []
  })
}

/** Two clubs that carry the same, and how surely. */
interface Alike {
  ids: readonly [string, string]
  pairs: Pair[]
  probability: number
}

/** Every two clubs that carry the same on average over the swing lengths that both have, for sure. */
function alikeClubs({ ladder, odds }: GapFacts, closestM: number): Alike[] {
  const clubs = [...groupBy(ladder, step => step.clubId).entries()].filter(([, steps]) => steps.length >= LENGTHS)
  return clubs.flatMap(([id, one], i) =>
    clubs.slice(i + 1).flatMap(([otherId, other]): Alike[] => {
      const pairs = alike(one, other)
      if (pairs.length < LENGTHS || apartM(pairs) > closestM + SAME_M) return []
      if (pairs.some(([a, b]) => Math.abs(a.carryM - b.carryM) > APART_TIMES * closestM + SAME_M)) return []
      const probability = odds.sameOnAverage(pairs, closestM)
      return probability >= SAY.overlap ? [{ ids: [id, otherId], pairs, probability }] : []
    }),
  )
}

/**
 * Clubs of which every two carry the same. A third joins two only where it is the same as both: of a chain of three the
 * ends may lie twice as far apart as is said.
 */
function groupsOf(found: readonly Alike[]): Set<string>[] {
  const same = new Set(found.flatMap(({ ids: [a, b] }) => [`${a} ${b}`, `${b} ${a}`]))
  const groups: Set<string>[] = []
  for (const { ids } of found) {
    if (groups.some(group => ids.every(id => group.has(id)))) continue
    const joins = (id: string, group: Set<string>) => [...group].every(own => own === id || same.has(`${own} ${id}`))
    const group = groups.find(known => ids.some(id => known.has(id)) && ids.every(id => joins(id, known)))
    if (group) for (const id of ids) group.add(id)
    else groups.push(new Set(ids))
  }
  return groups
}

/**
 * Two clubs that do one job: over all swing lengths that both have they carry the same on average. What no single
 * length tells surely, all of them together do with a fifth fewer balls. Three such clubs are one finding.
 */
function oneJob(facts: GapFacts, closestM: number): Finding[] {
  const found = alikeClubs(facts, closestM)
  const lofts = new Map(facts.bag.clubs.map(({ id, loftDeg }) => [id, loftDeg]))
  return groupsOf(found).map(group => {
    const own = found.filter(({ ids }) => ids.every(id => group.has(id)))
    const cells = [...new Set(own.flatMap(({ pairs }) => pairs.flat()))].sort((a, b) => a.carryM - b.carryM)
    return {
      flag: meta.id,
      variant: 'clubs',
      sureness: 'sure',
      probability: Math.min(...own.map(({ probability }) => probability)),
      // Named as they stand in the bag, not by the yard that one of them happens to carry less.
      cells: [...cells].sort((a, b) => lofts.get(a.clubId)! - lofts.get(b.clubId)!).map(plainCell),
      data: { closestM, lengths: new Set(cells.map(({ rungId }) => rungId)).size },
      fromM: cells[0]!.carryM,
      toM: cells.at(-1)!.carryM,
      figure: Math.max(...own.map(({ pairs }) => apartM(pairs))),
    }
  })
}

/** Clubs too many: three on one number, or two that carry the same with every swing length. Mutates nothing. */
export function find(facts: GapFacts, options: FlagOptions = {}): Finding[] {
  const { closestM } = { ...overlap.defaults, ...options }
  return [...onOneNumber(facts, closestM), ...oneJob(facts, closestM)]
}

export default { meta, defaults, find } satisfies FlagRule
