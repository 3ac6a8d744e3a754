import { cellKey, type StockShot } from '../bag/bag'
import { Z_80 } from '../stats/normal'
import { isWithin } from '../units'
import type { FlagOptions, GapFacts } from './flag'
import { staleAfterMs } from './flags/stale'
import { stretches, type CoverAt, type CoverShot } from './stretches'

/** A stretch of the cover whose best number is thin or old: no fault of the bag, but nothing to rely on yet. */
export interface Unproven extends StockShot {
  why: 'thin' | 'old'
  /** First and last target, metres. */
  fromM: number
  toM: number
  /** Doubt about the number, 8 in 10, metres. */
  plusMinusM: number
  /** About so many balls with it settle the stretch; null where no number of range balls does. */
  balls: number | null
  /** Whole days since its last ball; null without one. */
  days: number | null
}

const DAY_MS = 86_400_000
/** A number that is old is looked at again with so many balls (common practice: a retest of a ball or two each). */
const RETEST_BALLS = 2
/** Narrower stretches are the seams between two good shots. */
const LEAST_TARGETS = 3
/** Nine balls in ten are clean: the others tell next to nothing. From memory. */
const CLEAN_SHARE = 0.9

/** True when a number is known less well than is wanted, as it is read. */
const isThin = ({ certaintySdM }: Pick<CoverShot, 'certaintySdM'>, withinM: number) =>
  !isWithin(Z_80 * certaintySdM, withinM)

/**
 * Balls after which the number is known to within so much: precisions add up. Null where what no ball takes away is
 * more than that.
 */
function ballsToProve({ certaintySdM, scatterSdM }: CoverShot, withinM: number, leftSdM: number): number | null {
  const [within2, told2] = [(withinM / Z_80) ** 2 - leftSdM ** 2, certaintySdM ** 2 - leftSdM ** 2]
  if (within2 <= 0) return null
  const wanted = 1 / within2 - 1 / told2
  return Math.max(1, Math.ceil((wanted * scatterSdM ** 2) / CLEAN_SHARE - 1e-9))
}

/**
 * The stretches of a cover that are not proven, shortest first. A hole is said by its own rule, and is not among them.
 * Mutates nothing.
 * @param leftSdOf of a shot's doubt what the next balls leave as it is, one standard deviation, metres
 */
export function unprovenOf(
  { cover, chart, nowMs, withinM }: Pick<GapFacts, 'cover' | 'chart' | 'nowMs' | 'withinM'>,
  options: FlagOptions = {},
  leftSdOf: (shot: CoverShot) => number = () => 0,
): Unproven[] {
  const cells = new Map(chart.map(cell => [cellKey(cell), cell]))
  const stock = new Map(cover.shots.filter(shot => !shot.grippedDown).map(shot => [cellKey(shot), shot]))
  const staleMs = staleAfterMs(options)
  const ownOf = (one: CoverAt) => stock.get(cellKey(cover.shots[one.best]!))!
  const why = (one: CoverAt) => {
    if (one.hole === 'sure') return null
    const shot = ownOf(one)
    const { lastHitMs } = cells.get(cellKey(shot))!
    if (isThin(shot, withinM)) return `thin ${cellKey(shot)}`
    return lastHitMs !== null && nowMs - lastHitMs > staleMs ? `old ${cellKey(shot)}` : null
  }
  return stretches(cover.at, why)
    .filter(({ all }) => all.length >= LEAST_TARGETS)
    .map(({ kind, all }): Unproven => {
      const shot = ownOf(all[0]!)
      const { lastHitMs } = cells.get(cellKey(shot))!
      const thin = kind.startsWith('thin')
      return {
        clubId: shot.clubId,
        rungId: shot.rungId,
        why: thin ? 'thin' : 'old',
        fromM: all[0]!.atM,
        toM: all.at(-1)!.atM,
        plusMinusM: Z_80 * shot.certaintySdM,
        balls: thin ? ballsToProve(shot, withinM, leftSdOf(shot)) : RETEST_BALLS,
        days: lastHitMs === null ? null : Math.floor((nowMs - lastHitMs) / DAY_MS),
      }
    })
}
