import { SAY } from '../../model/constants'
import type { Finding, FlagMeta, FlagRule, GapFacts } from '../flag'

export const meta = {
  id: 'short-bias',
  kind: 'weak',
  weight: 3,
  about: 'record',
  speaksOf: 'shots',
  practised: true,
  settledWithin: 0.15,
} as const satisfies FlagMeta

export const defaults = {}

/** Two misses in three are short: more than chance, and than a usual share of mishits. Our choice. */
const SHARE = 2 / 3

/** Balls since the chart was published that missed its numbers, short against long. Mutates nothing. */
export function find({ trusted, withinM, odds }: GapFacts): Finding[] {
  const short = trusted.offsM.filter(offM => offM < -withinM)
  const misses = short.length + trusted.offsM.filter(offM => offM > withinM).length
  // That more than two in three are short, from a flat prior: Beta(1 + short, 1 + long).
  const probability = misses === 0 ? 0 : odds.shareAbove(SHARE, 1 + short.length, 1 + misses - short.length)
  if (probability < SAY.shortBias) return []
  return [
    {
      flag: meta.id,
      sureness: probability >= SAY.biasSure ? 'sure' : 'likely',
      probability,
      cells: [],
      data: {
        missesN: misses,
        shortN: short.length,
        withinM,
        meanM: -short.reduce((sum, offM) => sum + offM, 0) / short.length,
      },
      fromM: 0,
      toM: 0,
      figure: short.length / misses,
    },
  ]
}

export default { meta, defaults, find } satisfies FlagRule
