import { cellKey } from '../../bag/bag'
import { Z_80 } from '../../stats/normal'
import { yardsToMetres } from '../../units'
import { stretches, type CoverAt } from '../stretches'
import { plainCell, type Finding, type FlagMeta, type FlagRule, type GapFacts } from '../flag'

export const meta = {
  id: 'weak',
  kind: 'weak',
  weight: 2,
  about: 'record',
  speaksOf: 'stretch',
  helpedBy: ['grip-down', 'calibrate', 'use-again', 'swing', 'bend', 'add'],
  settledWithin: yardsToMetres(2),
} as const satisfies FlagMeta

export const defaults = {}

/** A leave beyond so many times what could be is weak. */
const WEAK_TIMES = 1.3
/** Narrower stretches are the seams between two good shots. */
const LEAST_YARDS = 3

/**
 * Yardages whose best shot, though its number is known, leaves clearly more than could be left, as stretches. Holes are
 * said by their own rule; a number that is thin or old is unproven, which is no fault. Mutates nothing.
 */
export function find({ cover, withinM }: GapFacts): Finding[] {
  const whyWeak = (one: CoverAt) => {
    if (one.hole === 'sure' || one.hole === 'likely') return null
    const shot = cover.shots[one.best]!
    // Said of a number that is known as well as is wanted, not merely as it reads: a flag asks for more than a shade.
    if (Z_80 * shot.certaintySdM > withinM) return null
    return one.leaveM > WEAK_TIMES * one.couldM ? cellKey(shot) : null
  }
  return stretches(cover.at, whyWeak)
    .filter(({ all }) => all.length >= LEAST_YARDS)
    .map(({ all }): Finding => {
      const worst = all.reduce((w, one) => (one.leaveM > w.leaveM ? one : w))
      return {
        flag: meta.id,
        sureness: 'likely',
        probability: null,
        cells: [plainCell(cover.shots[worst.best]!)],
        data: { leaveM: worst.leaveM, overTimes: worst.leaveM / worst.couldM },
        fromM: all[0]!.atM,
        toM: all.at(-1)!.atM,
        figure: worst.leaveM,
      }
    })
}

export default { meta, defaults, find } satisfies FlagRule
