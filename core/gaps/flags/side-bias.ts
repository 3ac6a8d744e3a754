import { SAY } from '../../model/constants'
import type { Finding, FlagMeta, FlagOptions, FlagRule, GapFacts } from '../flag'

export const meta = {
  id: 'side-bias',
  kind: 'weak',
  weight: 2,
  about: 'record',
  speaksOf: 'shots',
  practised: true,
  variants: ['left'],
  thresholds: ['biasPercent'],
  settledWithin: 0.015,
} as const satisfies FlagMeta

export const defaults = { biasPercent: 2 }

const LEAST_SIDES = 5

/** A player whose balls lie to one side, by more than is lost in the scatter. Mutates nothing. */
export function find({ sides, sidesCounted: { balls, right }, odds }: GapFacts, options: FlagOptions = {}): Finding[] {
  const { biasPercent } = { ...defaults, ...options }
  if (sides.measured < LEAST_SIDES) return []
  const { playerBias, playerVariance } = sides
  const probability = odds.below((Math.abs(playerBias) - biasPercent / 100) / Math.sqrt(playerVariance))
  // At the limit the odds are even.
  if (probability < SAY.bias) return []
  return [
    {
      flag: meta.id,
      ...(playerBias < 0 && { variant: 'left' }),
      sureness: probability >= SAY.biasSure ? 'sure' : 'likely',
      probability,
      cells: [],
      data: {
        biasPercent: 100 * Math.abs(playerBias),
        sideN: playerBias > 0 ? right : balls - right,
        sidesN: balls,
      },
      fromM: 0,
      toM: 0,
      figure: playerBias,
    },
  ]
}

export default { meta, defaults, find } satisfies FlagRule
