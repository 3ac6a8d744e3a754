import { SAY } from '../../model/constants'
import { likelyOnes } from '../../stats/false-discovery'
import { plainCell, SAME_M, type Finding, type FlagMeta, type FlagOptions, type FlagRule, type GapFacts } from '../flag'
import { neighbours } from '../ladder'
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

/** Neighbours on the ladder further apart than the widest step, shortest first. Mutates nothing. */
export function find({ ladder, odds }: GapFacts, options: FlagOptions = {}): Finding[] {
  const { widestStepM } = { ...defaults, ...options }
  const wide = neighbours(ladder).filter(([shorter, longer]) => longer.carryM - shorter.carryM > widestStepM + SAME_M)
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
