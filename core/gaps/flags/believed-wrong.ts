import { cellKey } from '../../bag/bag'
import { oddsOff } from '../../history/coach-remarks'
import { yardsToMetres } from '../../units'
import { plainCell, type Finding, type FlagMeta, type FlagRule, type GapFacts } from '../flag'

export const meta = {
  id: 'believed-wrong',
  kind: 'weak',
  weight: 4,
  about: 'record',
  speaksOf: 'shots',
  variants: ['long'],
  settledWithin: yardsToMetres(3),
} as const satisfies FlagMeta

export const defaults = {}

/** Stock carries that the player believes wrongly by more than is wanted of a number, by odds. Mutates nothing. */
export function find({ chart, said, withinM }: GapFacts): Finding[] {
  return chart.flatMap((cell): Finding[] => {
    const believedM = said.get(cellKey(cell))?.believed?.carryM
    if (cell.kind !== 'measured' || believedM === undefined || believedM === null) return []
    const probability = oddsOff(cell, believedM, withinM)
    if (probability === null || probability < LIKELY) return []
    const offM = cell.carryM! - believedM
    return [
      {
        flag: meta.id,
        ...(offM < 0 && { variant: 'long' }),
        sureness: probability >= SURE ? 'sure' : 'likely',
        probability,
        cells: [plainCell(cell)],
        data: { believedM, isM: cell.carryM!, offM: Math.abs(offM) },
        fromM: Math.min(believedM, cell.carryM!),
        toM: Math.max(believedM, cell.carryM!),
        figure: offM,
      },
    ]
  })
}

/**
 * Asked after every ball, of every stock shot that something is believed of: few charts may ever be wrong. What is
 * believed mostly lies near the truth, which the odds by the balls alone do not know: hence the high marks. [sim]
 */
const LIKELY = 0.995
const SURE = 0.9998

export default { meta, defaults, find } satisfies FlagRule
