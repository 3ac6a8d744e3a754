import { SAY } from '../../model/constants'
import { Z_80 } from '../../stats/quantiles'
import type { ChartCell } from '../../chart/chart-cell'
import { cellKey } from '../../bag/bag'
import { plainCell, SAME_M, type Finding, type FlagMeta, type FlagOptions, type FlagRule, type GapFacts } from '../flag'
import step from './step'

export const meta = {
  id: 'top-of-bag',
  kind: 'hole',
  weight: 3,
  about: 'bag',
  speaksOf: 'shots',
  helpedBy: ['grip-down', 'calibrate', 'use-again', 'swing', 'bend', 'add'],
  staysOpen: true,
  difference: { of: 'stepM', limit: 'widestStepM', raised: 'above' },
  settledWithin: 3,
} as const satisfies FlagMeta

export const defaults = {}

const sdOf = (cell: ChartCell) => (cell.certainty80M![1] - cell.certainty80M![0]) / 2 / Z_80
const LIKELY = 0.9

/** The step from the longest stock shot of the grid to the shortest longer club. Mutates nothing. */
export function find({ chart, ladder, odds }: GapFacts, options: FlagOptions = {}): Finding[] {
  const { widestStepM } = { ...step.defaults, ...options }
  const top = ladder.at(-1)
  const from = top && chart.find(cell => cellKey(cell) === cellKey(top))
  const beyond = chart
    .filter(cell => cell.plain && cell.carryM !== null && from && cell.carryM > from.carryM!)
    .sort((a, b) => a.carryM! - b.carryM!)[0]
  if (!from || !beyond) return []
  const stepM = beyond.carryM! - from.carryM!
  if (stepM <= widestStepM + SAME_M) return []
  const probability = odds.below((stepM - widestStepM) / Math.hypot(sdOf(from), sdOf(beyond)))
  return [
    {
      flag: meta.id,
      sureness: probability >= SAY.gapSure ? 'sure' : probability >= LIKELY ? 'likely' : 'open',
      probability,
      cells: [plainCell(from), plainCell(beyond)],
      data: { stepM, widestStepM, shorterM: from.carryM!, longerM: beyond.carryM! },
      fromM: from.carryM!,
      toM: beyond.carryM!,
      figure: stepM,
    },
  ]
}

export default { meta, defaults, find } satisfies FlagRule
