import { SAY } from '../../chart/model/constants'
import { plainCell, type Finding, type FlagMeta, type FlagOptions, type FlagRule, type GapFacts } from '../flag'
import { samePairs, type PairLimits } from '../pairs'
import { yardsToMetres } from '../../units'

export const meta = {
  id: 'overlap',
  kind: 'overlap',
  weight: 3,
  title: 'Overlap at {fromM}',
  why: '{shorter} carries {shorterM} and {longer} {longerM}: {apartM} apart, within {closestM}, and they fly alike.',
  remedies: [
    'Strike one out, or hit more balls with the one that has fewer.',
    'If you know one to fly lower, keep both: say which is for what.',
  ],
  open: { one: 'pair reads as one number', many: 'pairs read as one number' },
  difference: { of: 'apartM', limit: 'closestM', raised: 'within' },
  thresholds: [
    { option: 'closestM', label: 'Closest pair', why: 'Closer than a good player\'s own scatter with a wedge: the ball cannot tell them apart.' },
    { option: 'flightDeg', label: 'Another flight from', why: 'Angles of descent as far apart as this stop differently on the green.' },
  ],
  settledWithin: yardsToMetres(3),
} as const satisfies FlagMeta

export const defaults: PairLimits = {
  // 4 yd: closer than a good player's own scatter with a wedge, so the ball cannot tell them apart (common practice).
  closestM: yardsToMetres(4),
  // A club of 4° less swung shorter comes down about 2° flatter by our flight; that is called another flight.
  flightDeg: 2,
}

/** Every pair of stock shots of like flight whose carries lie within the closest distance, shortest first. Mutates nothing. */
export function find(facts: GapFacts, options: FlagOptions = {}): Finding[] {
  const { closestM, flightDeg } = { ...defaults, ...options }
  return samePairs(facts, closestM, flightDeg).filter(pair => !pair.otherFlight).map(({ shorter, longer, probability }) => ({
    flag: meta.id,
    sureness: probability >= SAY.overlap ? 'sure' : 'open',
    probability,
    cells: [plainCell(shorter), plainCell(longer)],
    data: { apartM: longer.carryM - shorter.carryM, closestM, shorterM: shorter.carryM, longerM: longer.carryM },
    fromM: shorter.carryM,
    toM: longer.carryM,
    figure: longer.carryM - shorter.carryM,
  }))
}

export default { meta, defaults, find } satisfies FlagRule
