import { clubsInUse } from '../../bag/bag'
import { SAY } from '../../model/constants'
import { likelyOnes } from '../../stats/false-discovery'
import { plainCell, SAME_M, type Finding, type FlagMeta, type FlagOptions, type FlagRule, type GapFacts } from '../flag'
import { neighbours, type LadderStep } from '../ladder'
import { yardsToMetres } from '../../units'

export const meta = {
  id: 'step',
  kind: 'hole',
  weight: 4,
  about: 'bag',
  speaksOf: 'step',
  helpedBy: ['grip-down', 'calibrate', 'use-again', 'swing', 'bend', 'add'],
  staysOpen: true,
  difference: { of: 'stepM', limit: 'widestStepM', raised: 'above' },
  thresholds: ['widestStepM'],
  settledWithin: yardsToMetres(3),
} as const satisfies FlagMeta

export const defaults = {
  // 12 yd, about 4–5° of loft between full wedges: common practice. The aim is steps a grip-down can bridge, about 5
  // yd.
  widestStepM: yardsToMetres(12),
}

/** Lofts of clubs in use that nothing is known of yet: their number may well fall into the step. */
function unknownLofts({ bag, chart, ladder }: GapFacts): number[] {
  const known = new Set(ladder.map(step => step.clubId))
  const used = new Set(chart.filter(cell => cell.kind !== 'struck-out').map(cell => cell.clubId))
  return clubsInUse(bag)
    .filter(club => !known.has(club.id) && used.has(club.id))
    .map(club => club.loftDeg)
}

/**
 * Neighbours on the ladder further apart than the widest step, shortest first. Where a club in between has no number
 * yet it is no finding. Mutates nothing.
 */
export function find(facts: GapFacts, options: FlagOptions = {}): Finding[] {
  const { ladder, odds, bag } = facts
  const { widestStepM } = { ...defaults, ...options }
  const lofts = new Map(bag.clubs.map(club => [club.id, club.loftDeg]))
  const unknown = unknownLofts(facts)
  const between = ({ clubId: short }: LadderStep, { clubId: long }: LadderStep) =>
    unknown.some(loftDeg => loftDeg < lofts.get(short)! && loftDeg > lofts.get(long)!)
  const wide = neighbours(ladder).filter(
    ([shorter, longer]) => longer.carryM - shorter.carryM > widestStepM + SAME_M && !between(shorter, longer),
  )
  const probabilities = wide.map(([shorter, longer]) => odds.gap(shorter, longer, widestStepM))
  const likely = likelyOnes(probabilities, SAY.likelyFalseShare)
  return wide.map(([shorter, longer], i) => ({
    flag: meta.id,
    sureness: probabilities[i]! >= SAY.gapSure ? 'sure' : likely[i] ? 'likely' : 'open',
    probability: probabilities[i]!,
    cells: [plainCell(shorter), plainCell(longer)],
    data: { stepM: longer.carryM - shorter.carryM, widestStepM, shorterM: shorter.carryM, longerM: longer.carryM },
    fromM: shorter.carryM,
    toM: longer.carryM,
    figure: longer.carryM - shorter.carryM,
  }))
}

export default { meta, defaults, find } satisfies FlagRule
