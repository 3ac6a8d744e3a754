import { cellKey, clubsInUse, isGridClub, rungsInUse } from '../../bag/bag'
import { SAY } from '../../model/constants'
import { likelyOnes } from '../../stats/false-discovery'
import { yardsToMetres } from '../../units'
import { plainCell, SAME_M, type Finding, type FlagMeta, type FlagOptions, type FlagRule, type GapFacts } from '../flag'

export const meta = {
  id: 'uneven-lofts',
  kind: 'finding',
  weight: 1,
  about: 'bag',
  speaksOf: 'shots',
  helpedBy: ['calibrate', 'bend'],
  staysOpen: true,
  thresholds: ['unevenM'],
  settledWithin: yardsToMetres(3),
} as const satisfies FlagMeta

export const defaults = {
  // What a ball can tell apart; a measured player had 18 and 9 yd from 4° each (common practice).
  unevenM: yardsToMetres(4),
}

const EQUAL_DEG = 0.5

/** Three clubs of equal loft steps whose carries at one swing length step unequally. Mutates nothing. */
export function find({ ladder, odds, bag }: GapFacts, options: FlagOptions = {}): Finding[] {
  const { unevenM } = { ...defaults, ...options }
  const steps = new Map(ladder.map(step => [cellKey(step), step]))
  const clubs = clubsInUse(bag).filter(isGridClub)
  const triples = rungsInUse(bag).flatMap(rung =>
    clubs.slice(2).flatMap((long, i) => {
      const [short, middle] = [clubs[i]!, clubs[i + 1]!]
      const [below, above] = [short.loftDeg - middle.loftDeg, middle.loftDeg - long.loftDeg]
      if (below <= 0 || above <= 0 || Math.abs(below - above) > EQUAL_DEG) return []
      const three = [short, middle, long].map(club => steps.get(cellKey({ clubId: club.id, rungId: rung.id })))
      const [a, b, c] = three
      if (!a || !b || !c) return []
      const [belowM, aboveM] = [b.carryM - a.carryM, c.carryM - b.carryM]
      return Math.abs(belowM - aboveM) > unevenM + SAME_M ? [{ a, b, c, belowM, aboveM, loftDeg: below }] : []
    }),
  )
  const probabilities = triples.map(({ a, b, c }) => odds.uneven(a, b, c, unevenM))
  const likely = likelyOnes(probabilities, SAY.likelyFalseShare)
  return triples.map(({ a, b, c, belowM, aboveM, loftDeg }, i) => ({
    flag: meta.id,
    sureness: probabilities[i]! >= SAY.unevenSure ? 'sure' : likely[i] ? 'likely' : 'open',
    probability: probabilities[i]!,
    cells: [plainCell(a), plainCell(b), plainCell(c)],
    data: { belowM, aboveM, loftDeg, unevenM },
    fromM: a.carryM,
    toM: c.carryM,
    figure: belowM - aboveM,
  }))
}

export default { meta, defaults, find } satisfies FlagRule
