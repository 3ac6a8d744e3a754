import { cellKey } from '../../bag/bag'
import { nearestBelieved, oddsBelievedWrong } from '../../history/coach-remarks'
import { yardsToMetres } from '../../units'
import { plainCell, type Finding, type FlagMeta, type FlagRule, type GapFacts } from '../flag'

export const meta = {
  id: 'believed-wrong',
  kind: 'weak',
  weight: 4,
  about: 'record',
  speaksOf: 'shots',
  variants: ['long', 'span', 'span-long'],
  settledWithin: yardsToMetres(3),
} as const satisfies FlagMeta

export const defaults = {}

/** Stock carries that the player believes wrongly by more than is wanted of a number, by odds. Mutates nothing. */
export function find({ chart, said, withinM }: GapFacts): Finding[] {
  return chart.flatMap((cell): Finding[] => {
    const belief = said.get(cellKey(cell))?.believed
    if (cell.kind !== 'measured' || !belief) return []
    const probability = oddsBelievedWrong(cell, belief, withinM)
    if (probability === null || probability < LIKELY) return []
    // Of a span its nearer end is spoken of: that much is wrong in any case.
    const believedM = nearestBelieved(belief, cell.carryM!)
    const offM = cell.carryM! - believedM
    return [
      {
        flag: meta.id,
        ...variantOf(offM < 0, belief.carryToM != null),
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

function variantOf(long: boolean, span: boolean): { variant?: (typeof meta.variants)[number] } {
  if (span) return { variant: long ? 'span-long' : 'span' }
  return long ? { variant: 'long' } : {}
}

/**
 * Asked after every ball, of every stock shot that something is believed of: few charts may ever be wrong. What is
 * believed mostly lies near the truth, which the odds by the balls alone do not know: hence the high marks. [sim]
 */
const LIKELY = 0.999
const SURE = 0.9998

export default { meta, defaults, find } satisfies FlagRule
