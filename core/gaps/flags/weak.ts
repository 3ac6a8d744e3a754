import { cellKey } from '../../bag/bag'
import { Z_80 } from '../../chart/model/quantiles'
import { yardsToMetres } from '../../units'
import { stretches, type CoverAt } from '../stretches'
import { plainCell, type Finding, type FlagMeta, type FlagOptions, type FlagRule, type GapFacts } from '../flag'
import { staleAfterMs } from './stale'

export const meta = {
  id: 'weak',
  kind: 'weak',
  weight: 2,
  title: 'Weak, {fromM} to {toM}',
  why: '{cells} is the best there is for these yardages and leaves {leaveM} on average: {overTimes} what a number of its own would leave.',
  remedies: ['Practise it before it is needed, or keep another shot for that yardage.'],
  variants: {
    thin: { why: '{cells} is the best there is for these yardages, and its number is only known to ± {plusMinusM}: more than the ± {withinM} that is wanted.', remedies: ['Hit a few balls with it: they settle this.'] },
    stale: { why: '{cells} is the best there is for these yardages, and its last ball is {staleDays} old.', remedies: ['Test it again at the next visit.'] },
  },
  open: { one: 'stretch is thinly measured', many: 'stretches are thinly measured' },
  settledWithin: yardsToMetres(2),
} as const satisfies FlagMeta

export const defaults = {}

/** A leave beyond so many times what could be is weak. */
const WEAK_TIMES = 1.3
const DAY_MS = 86_400_000
/** Narrower stretches are the seams between two good shots. */
const LEAST_YARDS = 3

/** Yardages whose best shot is loose, thinly measured or past due, as stretches; holes are said by their own rule. Mutates nothing. */
export function find({ cover, chart, nowMs, withinM, goodEnough }: GapFacts, options: FlagOptions = {}): Finding[] {
  const cells = new Map(chart.map(cell => [cellKey(cell), cell]))
  const staleMs = staleAfterMs(options)
  const cellOf = (one: CoverAt) => cells.get(cellKey(cover.shots[one.best]!))!
  const whyWeak = (one: CoverAt) => {
    if (one.hole === 'sure' || one.hole === 'likely') return null
    const shot = cover.shots[one.best]!
    const cell = cellOf(one)
    if (Z_80 * shot.certaintySdM > withinM) return `thin ${cellKey(shot)}`
    if (one.leaveM > WEAK_TIMES * one.couldM) return `loose ${cellKey(shot)}`
    if (cell.lastHitMs !== null && nowMs - cell.lastHitMs > staleMs) return `stale ${cellKey(shot)}`
    return null
  }
  return stretches(cover.at, whyWeak).filter(({ all }) => all.length >= LEAST_YARDS).map(({ kind, all }): Finding => {
    const variant = kind.split(' ')[0]!
    const worst = all.reduce((w, one) => one.leaveM > w.leaveM ? one : w)
    const shot = cover.shots[worst.best]!
    const { lastHitMs } = cellOf(worst)
    return {
      flag: meta.id, ...(variant !== 'loose' && { variant }), sureness: variant === 'loose' ? 'likely' : variant === 'thin' && !goodEnough ? 'open' : 'counted', probability: null, cells: [plainCell(shot)],
      data: {
        leaveM: worst.leaveM, overTimes: worst.leaveM / worst.couldM, plusMinusM: Z_80 * shot.certaintySdM, withinM,
        ...(lastHitMs !== null && { staleDays: Math.floor((nowMs - lastHitMs) / DAY_MS) }),
      },
      fromM: all[0]!.atM, toM: all.at(-1)!.atM, figure: worst.leaveM,
    }
  })
}

export default { meta, defaults, find } satisfies FlagRule
