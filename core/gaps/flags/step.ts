import { SAY } from '../../chart/model/constants'
import { likelyOnes } from '../../chart/model/say'
import { plainCell, SAME_M, type Finding, type FlagMeta, type FlagOptions, type FlagRule, type GapFacts } from '../flag'
import { neighbours } from '../ladder'
import { yardsToMetres } from '../../units'

export const meta = {
  id: 'step',
  kind: 'hole',
  weight: 4,
  title: 'Wide step, {fromM} to {toM}',
  why: '{shorter} carries {shorterM} and the next, {longer}, {longerM}: a step of {stepM}, more than {widestStepM}. Nothing in the chart lands in between.',
  remedies: [
    'Grip down an inch on {longer}: about {gripDownM} less.',
    'Measure a swing length in between, or one of the two that has few balls.',
  ],
  open: { one: 'step reads too wide', many: 'steps read too wide' },
  difference: { of: 'stepM', limit: 'widestStepM', raised: 'above' },
  thresholds: [{ option: 'widestStepM', label: 'Widest step', why: 'About 4 to 5° of loft between full wedges; gripping down an inch bridges half of it.' }],
  settledWithin: yardsToMetres(3),
} as const satisfies FlagMeta

export const defaults = {
  // 12 yd, about 4–5° of loft between full wedges: common practice. The aim is steps a grip-down can bridge, about 5 yd.
  widestStepM: yardsToMetres(12),
}

/** Neighbours on the ladder further apart than the widest step, shortest first. Mutates nothing. */
export function find({ ladder, odds }: GapFacts, options: FlagOptions = {}): Finding[] {
  const { widestStepM } = { ...defaults, ...options }
  const wide = neighbours(ladder).filter(([shorter, longer]) => longer.carryM - shorter.carryM > widestStepM + SAME_M)
  const probabilities = wide.map(([shorter, longer]) => odds.gap(shorter, longer, widestStepM))
  const likely = likelyOnes(probabilities)
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
