import { cellKey } from '../../bag/bag'
import { SAY, SIDE, SIDE_OF_LEVEL } from '../../model/constants'
import { Z_80 } from '../../stats/quantiles'
import { plainCell, type Finding, type FlagMeta, type FlagRule, type GapFacts } from '../flag'

export const meta = {
  id: 'wide',
  kind: 'weak',
  weight: 2,
  about: 'record',
  speaksOf: 'shots',
  variants: ['club-long', 'club-broad', 'club-both'],
  settledWithin: 0.01,
} as const satisfies FlagMeta

export const defaults = {}

/** Fewer sides than these tell nothing of a scatter. */
const LEAST_SIDES = 8

/** The player's scatter across, held against what is usual for the level: from the sides of the grid's stock shots. */
function ofPlayer({ sides, level, odds }: GapFacts): Finding[] {
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

/** Whether the balls of a longer club lie too far apart along the line, across it, or both. */
function variantOf(long: boolean, broad: boolean): (typeof meta.variants)[number] | null {
  if (long) return broad ? 'club-both' : 'club-long'
  return broad ? 'club-broad' : null
}

/**
 * Longer clubs, each by its own balls: whether they lie longer or broader than is usual for the stated level. The more
 * of them are asked about, the surer each has to be.
 */
function ofLongerClubs({ longer, chart, level, odds }: GapFacts): Finding[] {
  if (level === 'unknown') return []
  const asked = longer.reduce((sum, { across }) => sum + (across ? 2 : 1), 0)
  const least = (alone: number) => 1 - (1 - alone) / asked
  const [likely, sure] = [least(SAY.looserThanLevel), least(SAY.looserThanLevelSure)]
  return longer.flatMap(({ along, across, ...shot }): Finding[] => {
    const cell = chart.find(one => cellKey(one) === cellKey(shot))!
    const told = (one: typeof across) => (one ? odds.wider(one.times, one.degrees, SAY.looserRatio) : 0)
    const [long, broad] = [told(along), told(across)]
    const variant = variantOf(long >= likely, broad >= likely)
    if (!variant) return []
    const probability = variant === 'club-both' ? Math.min(long, broad) : Math.max(long, broad)
    const [nearM, farM] = cell.window80M!
    return [
      {
        flag: meta.id,
        variant,
        sureness: probability >= sure ? 'sure' : 'likely',
        probability,
        cells: [plainCell(cell)],
        data: {
          shorterM: cell.carryM!,
          nearM,
          farM,
          longerPercent: 100 * (along.times - 1),
          broaderPercent: 100 * ((across?.times ?? 1) - 1),
        },
        fromM: cell.carryM!,
        toM: cell.carryM!,
        figure: Math.max(along.times, across?.times ?? 0),
      },
    ]
  })
}

/** Scatter beyond what is usual for the level: the player's to the sides, and of each longer club. Mutates nothing. */
export function find(facts: GapFacts): Finding[] {
  return [...ofPlayer(facts), ...ofLongerClubs(facts)]
}

export default { meta, defaults, find } satisfies FlagRule
