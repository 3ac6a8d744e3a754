import { SAY } from '../../model/constants'
import { plainCell, type Finding, type FlagMeta, type FlagOptions, type FlagRule, type GapFacts } from '../flag'
import { samePairs, type PairLimits } from '../pairs'
import { yardsToMetres } from '../../units'

export const meta = {
  id: 'overlap',
  kind: 'overlap',
  weight: 3,
  about: 'bag',
  speaksOf: 'step',
  helpedBy: ['calibrate', 'strike-out', 'take-out', 'bend'],
  staysOpen: true,
  difference: { of: 'apartM', limit: 'closestM', raised: 'within' },
  thresholds: ['closestM', 'flightDeg'],
  settledWithin: yardsToMetres(3),
} as const satisfies FlagMeta

export const defaults: PairLimits = {
  // 4 yd: closer than a good player's own scatter with a wedge, so the ball cannot tell them apart (common practice).
  closestM: yardsToMetres(4),
  // A club of 4° less swung shorter comes down about 2° flatter by our flight; that is called another flight.
  flightDeg: 2,
}

/**
 * Every pair of stock shots of like flight whose carries lie within the closest distance, shortest first. Mutates
 * nothing.
 */
export function find(facts: GapFacts, options: FlagOptions = {}): Finding[] {
  const { closestM, flightDeg } = { ...defaults, ...options }
  return samePairs(facts, closestM, flightDeg)
    .filter(pair => !pair.otherFlight)
    .map(({ shorter, longer, probability }) => ({
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
