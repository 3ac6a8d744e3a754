import { SAY } from '../../chart/model/constants'
import type { Finding, FlagMeta, FlagRule, GapFacts } from '../flag'

export const meta = {
  id: 'loose',
  kind: 'weak',
  title: 'Loose at {fromM}',
  why: '{shorter} scatters wider than your other stock shots: 8 clean balls in 10 lie from {nearM} to {farM}.',
  remedies: [
    'Practise it in blocks of five before it is needed on the course.',
    'Until then prefer another stock shot for that yardage.',
  ],
  open: { one: 'stock shot may be loose', many: 'stock shots may be loose' },
} as const satisfies FlagMeta

export const defaults = {}

/** Stock shots that surely scatter more than the player's usual, in the order of the chart. Mutates nothing. */
export function find({ chart, odds }: GapFacts): Finding[] {
  return chart.flatMap((cell): Finding[] => {
    if (cell.kind !== 'measured' || cell.plain) return []
    const probability = odds.looser(cell, SAY.looserRatio)
    if (probability < SAY.looser) return []
    const [nearM, farM] = cell.window80M!
    return [{
      flag: meta.id, sureness: 'sure', probability, cells: [{ clubId: cell.clubId, rungId: cell.rungId }],
      data: { shorterM: cell.carryM!, nearM, farM }, fromM: cell.carryM!, toM: cell.carryM!,
    }]
  })
}

export default { meta, defaults, find } satisfies FlagRule<typeof defaults>
