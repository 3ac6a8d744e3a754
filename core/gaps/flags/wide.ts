import { SAY, SIDE, SIDE_OF_LEVEL } from '../../model/constants'
import { Z_80 } from '../../stats/quantiles'
import type { Finding, FlagMeta, FlagRule, GapFacts } from '../flag'

export const meta = {
  id: 'wide',
  kind: 'weak',
  weight: 2,
  about: 'record',
  speaksOf: 'shots',
  settledWithin: 0.01,
} as const satisfies FlagMeta

export const defaults = {}

/** Fewer sides than these tell nothing of a scatter. */
const LEAST_SIDES = 8

/** The scatter across, held against what is usual for the level: from the sides of all stock shots. Mutates nothing. */
export function find({ sides, level, odds }: GapFacts): Finding[] {
  if (sides.measured < LEAST_SIDES) return []
  const usual = SIDE_OF_LEVEL[level]
  const probability = odds.wider(sides.sd / usual, SIDE.priorBalls + sides.measured - 1, SAY.looserRatio)
  if (probability < SAY.looserThanLevel) return []
  return [
    {
      flag: meta.id,
      sureness: probability >= SAY.looserThanLevelSure ? 'sure' : 'likely',
      probability,
      cells: [],
      data: { eitherPercent: 100 * Z_80 * sides.sd, usualPercent: 100 * Z_80 * usual },
      fromM: 0,
      toM: 0,
      figure: sides.sd,
    },
  ]
}

export default { meta, defaults, find } satisfies FlagRule
