import { cellKey, type StockShot } from '../bag/bag'
import type { GridFit } from '../chart/grid-fit'
import type { RangeBalls } from '../corrections/range-ball'
import { lossShare } from '../flight/ball-type'
import { MODEL } from '../model/constants'
import type { Fit } from '../model/fit'
import { dayOf, type NeutralPlayer } from '../shot/player-shots'
import { newestSession, type Session } from '../shot/shot'
import { choleskyOf, solveCholesky } from '../stats/cholesky'
import { exp } from '../stats/exact'

/**
 * What is believed of the grid, parted: what more range balls can tell, and what they cannot, however many are hit,
 * because how much they lose is not known and is the same in all of them.
 */
export interface BeyondBalls {
  /** Covariance of ln carry that they can tell of, row by row. */
  covariance: Float64Array
  /** Of each cell the variance of ln carry that they leave as it is. */
  left: Float64Array
}

/** aᵀ·C⁻¹·a. */
const inverseForm = (covariance: Float64Array, a: Float64Array) =>
  solveCholesky(choleskyOf(covariance, a.length), a).reduce((sum, value) => sum + value * value, 0)

/**
 * @param lossSd doubt about what range balls lose at 100 yd, in ln carry
 * @param daySd doubt about the player's form that more balls of the same day leave, in ln carry
 * @returns as much of that doubt as the belief holds is what is left; where balls of the ball one plays have made the
 *   numbers surer than it, no more than there is
 */
export function beyondRangeBalls(
  { mean, covariance }: Pick<Fit, 'mean' | 'covariance'>,
  lossSd: number,
  daySd: number,
): BeyondBalls {
  const n = mean.length
  const a = mean.map(ln => Math.hypot(daySd, lossSd * lossShare(exp(ln))))
  const form = inverseForm(covariance, a)
  const held = form > 1 ? 1 / form : 1
  return {
    covariance: covariance.map((value, at) => value - held * (a[Math.floor(at / n)]! * a[at % n]!)),
    left: a.map(value => held * (value * value)),
  }
}

/** What the next balls can tell: all there is to know, or less where they are range balls. */
export interface NextBalls {
  /** With the covariance that they can tell of. */
  fit: Fit
  left?: Float64Array
  /** Of the doubt about a stock shot's number, one standard deviation in metres, how much they leave as it is. */
  leftSdOf?: (shot: StockShot & { carryM: number; certaintySdM: number }) => number
}

/** The next balls are taken to be such as those of the newest session. */
export function nextBalls(
  { fit, indexOf }: Pick<GridFit, 'fit' | 'indexOf'>,
  player: Pick<NeutralPlayer, 'sessions' | 'shots' | 'nowMs'>,
  rangeBalls: RangeBalls | null,
): NextBalls {
  const newest = newestSession(player.sessions)
  if (!rangeBalls || newest?.ball !== 'range') return { fit }
  const { covariance, left } = beyondRangeBalls(fit, rangeBalls.sd, dayDoubt(player, newest))
  return {
    fit: { ...fit, covariance },
    left,
    leftSdOf: shot => {
      const row = indexOf.get(cellKey(shot))
      // A club outside the grid stands by itself: all of the loss's doubt is in its number.
      const sd = row === undefined ? rangeBalls.sd * lossShare(shot.carryM) : Math.sqrt(left[row]!)
      return Math.min(shot.certaintySdM, sd * shot.carryM)
    },
  }
}

/** While a session is of today its balls tell no more of the player's form than it has told already, in ln carry. */
function dayDoubt({ shots, nowMs }: Pick<NeutralPlayer, 'shots' | 'nowMs'>, newest: Session): number {
  if (dayOf(newest.startedAtMs) !== dayOf(nowMs)) return 0
  const visits = new Set(shots.filter(shot => shot.leftOut === null).map(shot => shot.sessionId))
  return MODEL.roughDaySd / Math.sqrt(Math.max(1, visits.size))
}
