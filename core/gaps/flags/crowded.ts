import { SAY } from '../../model/constants'
import { groupBy } from '../../group-by'
import { yardsToMetres } from '../../units'
import { plainCell, SAME_M, type Finding, type FlagMeta, type FlagOptions, type FlagRule, type GapFacts } from '../flag'
import { neighbours } from '../ladder'
import overlap from './overlap'

export const meta = {
  id: 'crowded',
  kind: 'overlap',
  weight: 4,
  about: 'bag',
  speaksOf: 'shots',
  helpedBy: ['calibrate', 'strike-out', 'take-out', 'bend'],
  staysOpen: true,
  settledWithin: yardsToMetres(3),
} as const satisfies FlagMeta

export const defaults = {}

const CLUBS = 3
const LIKELY = 0.8

/** Three clubs or more that carry one number with one swing length, each as the next. Mutates nothing. */
export function find({ ladder, odds }: GapFacts, options: FlagOptions = {}): Finding[] {
  const { closestM } = { ...overlap.defaults, ...options }
  return [...groupBy(ladder, step => step.rungId).values()].flatMap(row => {
    const found: Finding[] = []
    for (let i = 0; i + CLUBS <= row.length; i++) {
      let j = i
      while (j + 1 < row.length && row[j + 1]!.carryM - row[i]!.carryM <= closestM + SAME_M) j++
      if (j - i + 1 < CLUBS) continue
      const cells = row.slice(i, j + 1)
      // Each on the number of the next: what is least sure of it stands for all.
      const probability = Math.min(...neighbours(cells).map(([a, b]) => odds.overlap(a, b, closestM)))
      found.push({
        flag: meta.id,
        sureness: probability >= SAY.overlap ? 'sure' : probability >= LIKELY ? 'likely' : 'open',
        probability,
        cells: cells.map(plainCell),
        data: { closestM },
        fromM: cells[0]!.carryM,
        toM: cells.at(-1)!.carryM,
        figure: cells.at(-1)!.carryM - cells[0]!.carryM,
      })
      i = j
    }
    return found
  })
}

export default { meta, defaults, find } satisfies FlagRule
