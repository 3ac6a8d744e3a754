import { MODEL, SAY, SPREAD_OF_LEVEL } from '../../model/constants'
import { plainCell, type Finding, type FlagMeta, type FlagRule, type GapFacts } from '../flag'

export const meta = {
  id: 'loose',
  kind: 'weak',
  weight: 3,
  about: 'bag',
  speaksOf: 'shots',
  practised: true,
  shows: 'scatter',
  variants: ['level'],
  settledWithin: 0.15,
} as const satisfies FlagMeta

export const defaults = {}

/**
 * How many times the usual a scatter has to be. Where many balls are mishit the lesser mishits pass for scatter: it has
 * to be so much more.
 */
const ratioOf = ({ scatter }: GapFacts): number =>
  SAY.looserRatio * (1 + Math.max(0, scatter.mishitShare - MODEL.mishitShare))

/** That the player's φ is more than this much wider than the level's: the looseness of one cell, for all at once. */
function probabilityOfLevel(facts: GapFacts): number {
  const { spread, level, odds } = facts
  return level === 'unknown'
    ? 0
    : odds.wider(spread.ln / SPREAD_OF_LEVEL[level], SAY.scatterWorth * spread.degrees, ratioOf(facts))
}

/**
 * Stock shots that surely scatter more than the player's usual, and a player who does more than the stated level.
 * Mutates nothing.
 */
export function find(facts: GapFacts): Finding[] {
  const { chart, odds, spread, level } = facts
  const cells = chart.flatMap((cell): Finding[] => {
    if (cell.kind !== 'measured' || cell.plain) return []
    const probability = odds.looser(cell, ratioOf(facts))
    if (probability < SAY.looser) return []
    const [nearM, farM] = cell.window80M!
    return [
      {
        flag: meta.id,
        sureness: probability >= SAY.looserSure ? 'sure' : 'likely',
        probability,
        cells: [plainCell(cell)],
        data: { shorterM: cell.carryM!, nearM, farM },
        fromM: cell.carryM!,
        toM: cell.carryM!,
        figure: (farM - nearM) / cell.carryM!,
      },
    ]
  })
  const probability = probabilityOfLevel(facts)
  if (probability < SAY.looserThanLevel) return cells
  const times = spread.ln / SPREAD_OF_LEVEL[level]
  return [
    ...cells,
    {
      flag: meta.id,
      variant: 'level',
      sureness: probability >= SAY.looserThanLevelSure ? 'sure' : 'likely',
      probability,
      cells: [],
      data: { wideTimes: times },
      fromM: 0,
      toM: 0,
      figure: times,
    },
  ]
}

export default { meta, defaults, find } satisfies FlagRule
