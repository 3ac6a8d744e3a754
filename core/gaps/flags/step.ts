import { SAME_M, type Finding, type FlagMeta, type FlagRule } from '../flag'
import { neighbours, type Ladder } from '../ladder'
import { yardsToMetres } from '../../units'

export const meta = {
  id: 'step',
  kind: 'hole',
  title: 'Wide step, {fromM} to {toM}',
  why: '{shorter} carries {shorterM} and the next, {longer}, {longerM}: a step of {stepM}, more than {widestStepM}. Nothing measured lands in between.',
  remedies: [
    'Grip down an inch on {longer}: about {gripDownM} less.',
    'Measure a swing length in between, or one that is still empty in the chart.',
  ],
  difference: { of: 'stepM', limit: 'widestStepM', raised: 'above' },
  threshold: { option: 'widestStepM', label: 'Widest step' },
} as const satisfies FlagMeta

export const defaults = {
  // 12 yd, about 4–5° of loft between full wedges: common practice. The aim is steps a grip-down can bridge, about 5 yd.
  widestStepM: yardsToMetres(12),
}

/** Neighbours on the ladder further apart than the widest step, shortest first. Mutates nothing. */
export function find(ladder: Ladder, options: Partial<typeof defaults> = {}): Finding[] {
  const { widestStepM } = { ...defaults, ...options }
  return neighbours(ladder).flatMap(([shorter, longer]) => {
    const stepM = longer.carryM - shorter.carryM
    if (stepM <= widestStepM + SAME_M) return []
    return [{
      flag: meta.id,
      shorter: { clubId: shorter.clubId, rungId: shorter.rungId },
      longer: { clubId: longer.clubId, rungId: longer.rungId },
      data: { stepM, widestStepM, shorterM: shorter.carryM, longerM: longer.carryM },
      fromM: shorter.carryM,
      toM: longer.carryM,
    }]
  })
}

export default { meta, defaults, find } satisfies FlagRule<typeof defaults>
