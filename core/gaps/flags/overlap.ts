import { SAY } from '../../chart/model/constants'
import { SAME_M, type Finding, type FlagMeta, type FlagRule, type GapFacts } from '../flag'
import { yardsToMetres } from '../../units'

export const meta = {
  id: 'overlap',
  kind: 'overlap',
  title: 'Overlap at {fromM}',
  why: '{shorter} carries {shorterM} and {longer} {longerM}: {apartM} apart, within {closestM}.',
  remedies: [
    'If one flies lower than the other, keep both: it is a choice of flight. Say which is for what.',
    'If they fly alike, strike one out or hit more balls with the one that has fewer.',
  ],
  open: { one: 'pair reads as one number', many: 'pairs read as one number' },
  difference: { of: 'apartM', limit: 'closestM', raised: 'within' },
  threshold: { option: 'closestM', label: 'Closest pair' },
} as const satisfies FlagMeta

export const defaults = {
  // 4 yd: closer than a good player's own scatter with a wedge, so the ball cannot tell them apart (common practice).
  closestM: yardsToMetres(4),
}

/** Every pair of stock shots whose carries lie within the closest distance, shortest first. Mutates nothing. */
export function find({ ladder, odds }: GapFacts, options: Partial<typeof defaults> = {}): Finding[] {
  const { closestM } = { ...defaults, ...options }
  return ladder.flatMap((shorter, i) => {
    const found: Finding[] = []
    // The ladder is sorted: the first that is too far ends the search.
    for (let j = i + 1; j < ladder.length; j++) {
      const longer = ladder[j]!
      const apartM = longer.carryM - shorter.carryM
      if (apartM > closestM + SAME_M) break
      const probability = odds.overlap(shorter, longer, closestM)
      found.push({
        flag: meta.id,
        sureness: probability >= SAY.overlap ? 'sure' : 'open',
        probability,
        cells: [{ clubId: shorter.clubId, rungId: shorter.rungId }, { clubId: longer.clubId, rungId: longer.rungId }],
        data: { apartM, closestM, shorterM: shorter.carryM, longerM: longer.carryM },
        fromM: shorter.carryM,
        toM: longer.carryM,
      })
    }
    return found
  })
}

export default { meta, defaults, find } satisfies FlagRule<typeof defaults>
