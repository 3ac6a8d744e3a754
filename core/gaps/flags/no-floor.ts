import { yardsToMetres } from '../../units'
import { plainCell, type Finding, type FlagMeta, type FlagOptions, type FlagRule, type GapFacts } from '../flag'

export const meta = {
  id: 'no-floor',
  kind: 'finding',
  weight: 1,
  about: 'bag',
  speaksOf: 'all below',
  helpedBy: ['calibrate', 'use-again', 'swing', 'bend', 'add'],
  thresholds: ['floorM'],
  settledWithin: yardsToMetres(3),
} as const satisfies FlagMeta

// Inside about 50 yd it is touch: common practice.
export const defaults = { floorM: yardsToMetres(50) }

/** A ladder that begins above what touch can reach, once enough of it is known. Mutates nothing. */
export function find({ ladder, goodEnough }: GapFacts, options: FlagOptions = {}): Finding[] {
  const { floorM } = { ...defaults, ...options }
  const shortest = ladder[0]
  // Of a bag of longer clubs alone the short end is not the matter.
  if (!shortest || shortest.plain || shortest.carryM <= floorM || !goodEnough) return []
  return [
    {
      flag: meta.id,
      sureness: 'counted',
      probability: null,
      cells: [plainCell(shortest)],
      data: { shorterM: shortest.carryM, floorM },
      fromM: shortest.carryM,
      toM: shortest.carryM,
      figure: shortest.carryM,
    },
  ]
}

export default { meta, defaults, find } satisfies FlagRule
