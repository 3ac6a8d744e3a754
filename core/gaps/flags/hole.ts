import { isSureHole, stretches } from '../stretches'
import { plainCell, type Finding, type FlagMeta, type FlagRule, type GapFacts } from '../flag'

export const meta = {
  id: 'hole',
  kind: 'hole',
  weight: 5,
  about: 'bag',
  speaksOf: 'stretch',
  helpedBy: ['grip-down', 'calibrate', 'use-again', 'swing', 'bend', 'add'],
  staysOpen: true,
  settledWithin: 2,
} as const satisfies FlagMeta

export const defaults = {}

/** A single yard that is not sure is the seam between two numbers. */
const LEAST_YARDS = 2

/** Yardages whose best leave lies well beyond what the player could leave there, as stretches. Mutates nothing. */
export function find({ cover }: GapFacts): Finding[] {
  return stretches(cover.at, one => (one.hole ? 'hole' : null))
    .filter(({ all }) => all.length >= LEAST_YARDS || all.some(one => one.hole === 'sure'))
    .map(({ all }) => {
      const worst = all.reduce((w, one) => (one.leaveM - one.couldM > w.leaveM - w.couldM ? one : w))
      return {
        flag: meta.id,
        sureness: isSureHole(all) ? 'sure' : 'open',
        probability: null,
        cells: [plainCell(cover.shots[worst.best]!)],
        data: { leaveM: worst.leaveM, couldM: worst.couldM, badM: worst.badM, worstM: worst.atM },
        fromM: all[0]!.atM,
        toM: all.at(-1)!.atM,
        figure: worst.leaveM - worst.couldM,
      }
    })
}

export default { meta, defaults, find } satisfies FlagRule
