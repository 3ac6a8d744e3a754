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
const LIKELY = 0.8

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

/**
 * Two clubs that do one job: over all swing lengths that both have they carry the same on average. What no single
 * length tells surely, all of them together do with a fifth fewer balls. Three such clubs are one finding.
 */
function oneJob({ ladder, odds }: GapFacts, closestM: number): Finding[] {
  const clubs = [...groupBy(ladder, step => step.clubId).values()].filter(steps => steps.length >= LENGTHS)
  const groups: { clubs: Set<string>; pairs: Pair[]; probability: number; apartM: number }[] = []
  clubs.forEach((one, i) => {
    for (const other of clubs.slice(i + 1)) {
      const pairs = alike(one, other)
      if (pairs.length < LENGTHS || apartM(pairs) > closestM + SAME_M) continue
      if (pairs.some(([a, b]) => Math.abs(a.carryM - b.carryM) > APART_TIMES * closestM + SAME_M)) continue
      const probability = odds.sameOnAverage(pairs, closestM)
      if (probability < SAY.overlap) continue
      const ids = [one[0]!.clubId, other[0]!.clubId]
      const group = groups.find(known => ids.some(id => known.clubs.has(id)))
      if (!group) groups.push({ clubs: new Set(ids), pairs, probability, apartM: apartM(pairs) })
      else {
        for (const id of ids) group.clubs.add(id)
        group.pairs.push(...pairs)
        group.probability = Math.min(group.probability, probability)
        group.apartM = Math.max(group.apartM, apartM(pairs))
      }
    }
  })
  return groups.map(group => {
    const cells = [...new Set(group.pairs.flat())].sort((a, b) => a.carryM - b.carryM)
    return {
      flag: meta.id,
      variant: 'clubs',
      sureness: 'sure',
      probability: group.probability,
      cells: cells.map(plainCell),
      data: { closestM, lengths: new Set(cells.map(({ rungId }) => rungId)).size },
      fromM: cells[0]!.carryM,
      toM: cells.at(-1)!.carryM,
      figure: group.apartM,
    }
  })
}

/** Clubs too many: three on one number, or two that carry the same with every swing length. Mutates nothing. */
export function find(facts: GapFacts, options: FlagOptions = {}): Finding[] {
  const { closestM } = { ...overlap.defaults, ...options }
  return [...onOneNumber(facts, closestM), ...oneJob(facts, closestM)]
}

export default { meta, defaults, find } satisfies FlagRule
