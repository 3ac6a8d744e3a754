import { cellKey, clubsInUse, rungsInUse, type StockShot } from '../../bag/bag'
import { SAY } from '../../model/constants'
import { yardsToMetres } from '../../units'
import { plainCell, type Finding, type FlagMeta, type FlagRule, type GapFacts } from '../flag'
import type { LadderStep } from '../ladder'

export const meta = {
  id: 'out-of-order',
  kind: 'overlap',
  weight: 4,
  about: 'bag',
  speaksOf: 'shots',
  helpedBy: ['calibrate', 'strike-out', 'take-out', 'bend'],
  variants: ['swing'],
  staysOpen: true,
  settledWithin: yardsToMetres(3),
} as const satisfies FlagMeta

export const defaults = {}

/**
 * Neighbours in the grid (next club at one swing length, next swing length of one club) that carry no further.
 * Mutates nothing.
 */
export function find({ ladder, odds, bag }: GapFacts): Finding[] {
  const steps = new Map(ladder.map(step => [cellKey(step), step]))
  const clubs = clubsInUse(bag)
  const rungs = rungsInUse(bag).filter(rung => rung.flight === 'normal')
  const at = (cell: StockShot) => steps.get(cellKey(cell))
  const pairs: { variant?: 'swing'; shorter: LadderStep; longer: LadderStep }[] = []
  const add = (shorter?: LadderStep, longer?: LadderStep, variant?: 'swing') => {
    if (shorter && longer && longer.carryM <= shorter.carryM)
      pairs.push({ shorter, longer, ...(variant && { variant }) })
  }
  clubs.forEach((club, c) =>
    rungs.forEach((rung, r) => {
      const here = at({ clubId: club.id, rungId: rung.id })
      const next = clubs[c + 1]
      if (next && next.loftDeg < club.loftDeg) add(here, at({ clubId: next.id, rungId: rung.id }))
      if (rungs[r + 1]) add(here, at({ clubId: club.id, rungId: rungs[r + 1]!.id }), 'swing')
    }),
  )
  const probabilities = pairs.map(({ shorter, longer }) => 1 - odds.gap(shorter, longer, 0))
  return pairs.map(({ variant, shorter, longer }, i) => ({
    flag: meta.id,
    ...(variant && { variant }),
    // No odds below that make it likely: of those from 0.9 on one in five is false. [sim]
    sureness: probabilities[i]! >= SAY.gapSure ? 'sure' : 'open',
    probability: probabilities[i]!,
    cells: [plainCell(shorter), plainCell(longer)],
    data: { shorterM: shorter.carryM, longerM: longer.carryM },
    fromM: longer.carryM,
    toM: shorter.carryM,
    figure: shorter.carryM - longer.carryM,
  }))
}

export default { meta, defaults, find } satisfies FlagRule
