import { plainCell, type Finding, type FlagMeta, type FlagOptions, type FlagRule, type GapFacts } from '../flag'

export const meta = {
  id: 'thin',
  kind: 'unproven',
  weight: 0,
  about: 'record',
  speaksOf: 'list',
  thresholds: ['leastBalls'],
  settledWithin: 0,
} as const satisfies FlagMeta

export const defaults = { leastBalls: 3 }

/** Stock shots that were hit, but seldom, in a chart that is else known: all in one. Mutates nothing. */
export function find({ chart, goodEnough }: GapFacts, options: FlagOptions = {}): Finding[] {
  const { leastBalls } = { ...defaults, ...options }
  if (!goodEnough) return []
  const thin = chart.filter(cell => cell.kind === 'measured' && !cell.plain && cell.balls < leastBalls)
  if (thin.length === 0) return []
  const carries = thin.map(cell => cell.carryM!)
  return [
    {
      flag: meta.id,
      sureness: 'counted',
      probability: null,
      cells: thin.map(plainCell),
      data: { leastBalls },
      fromM: Math.min(...carries),
      toM: Math.max(...carries),
      figure: thin.length,
    },
  ]
}

export default { meta, defaults, find } satisfies FlagRule
