import { groupBy } from '../../group-by'
import { MODEL, SAY } from '../../model/constants'
import { cellKey } from '../../bag/bag'
import { plainCell, type Finding, type FlagMeta, type FlagRule, type GapFacts } from '../flag'

export const meta = {
  id: 'flyer-prone',
  kind: 'weak',
  weight: 2,
  about: 'record',
  speaksOf: 'shots',
  settledWithin: 0.08,
} as const satisfies FlagMeta

export const defaults = {}

/** A ball in ten is three times the usual share. Our choice. */
const SHARE = 0.1
/** The usual share is worth so many balls. */
const PRIOR_BALLS = 30

/** Clubs whose balls are flyers more often than one in ten, by odds. Mutates nothing. */
export function find({ chart, flyers, odds }: GapFacts): Finding[] {
  return [
    ...groupBy(
      chart.filter(cell => !cell.plain && flyers.has(cellKey(cell)) && cell.carryM !== null),
      cell => cell.clubId,
    ).values(),
  ].flatMap((cells): Finding[] => {
    const counts = cells.map(cell => flyers.get(cellKey(cell))!)
    const ballsN = counts.reduce((sum, one) => sum + one.balls, 0)
    const flyersN = counts.reduce((sum, one) => sum + one.flyers, 0)
    const probability = odds.shareAbove(
      SHARE,
      MODEL.flyerShare * PRIOR_BALLS + flyersN,
      (1 - MODEL.flyerShare) * PRIOR_BALLS + ballsN - flyersN,
    )
    if (probability < SAY.bias) return []
    const carries = cells.map(cell => cell.carryM!)
    return [
      {
        flag: meta.id,
        sureness: probability >= SAY.biasSure ? 'sure' : 'likely',
        probability,
        cells: cells.map(plainCell),
        data: { flyersN, ballsN },
        fromM: Math.min(...carries),
        toM: Math.max(...carries),
        figure: flyersN / ballsN,
      },
    ]
  })
}

export default { meta, defaults, find } satisfies FlagRule
