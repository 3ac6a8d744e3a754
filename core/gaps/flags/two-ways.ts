import { plainCell, type Finding, type FlagMeta, type FlagOptions, type FlagRule, type GapFacts } from '../flag'
import { samePairs } from '../pairs'
import { cellKey } from '../../bag/bag'
import overlap from './overlap'

export const meta = {
  id: 'two-ways',
  kind: 'asset',
  weight: 0,
  about: 'bag',
  speaksOf: 'shots',
  staysOpen: true,
  settledWithin: 2,
} as const satisfies FlagMeta

export const defaults = {}

/** More likely than not is enough for what is no fault. */
const LIKELY = 0.5

/** Pairs of one carry and different flights, both hit; the flatter one last in `cells`. Mutates nothing. */
export function find(facts: GapFacts, options: FlagOptions = {}): Finding[] {
  const { closestM, flightDeg } = { ...overlap.defaults, ...options }
  const used = new Set<string>()
  // The surest first, each stock shot once: a grid that interleaves has dozens of pairs, and they say the same.
  const pairs = samePairs(facts, closestM, flightDeg)
    .filter(pair => pair.otherFlight && pair.apartDeg !== null && !pair.shorter.predicted && !pair.longer.predicted)
    .sort((a, b) => b.probability - a.probability)
    .filter(({ shorter, longer }) => {
      const keys = [cellKey(shorter), cellKey(longer)]
      return !keys.some(key => used.has(key)) && keys.every(key => used.add(key))
    })
  return pairs
    .sort((a, b) => a.shorter.carryM - b.shorter.carryM)
    .map(({ shorter, longer, flatter, probability, apartDeg }): Finding => {
      const steeper = flatter === shorter ? longer : shorter
      return {
        flag: meta.id,
        sureness: probability >= LIKELY ? 'likely' : 'open',
        probability,
        cells: [plainCell(steeper), plainCell(flatter)],
        data: { shorterM: steeper.carryM, longerM: flatter.carryM, flatterDeg: apartDeg! },
        fromM: shorter.carryM,
        toM: longer.carryM,
        figure: longer.carryM - shorter.carryM,
      }
    })
}

export default { meta, defaults, find } satisfies FlagRule
