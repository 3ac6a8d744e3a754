import { MODEL } from './constants'
import { normalDensity, quickNormalCdf, SURE_Z } from '../stats/normal'
import betainc from '../stats/vendor/betainc.js'

/** What a ball can be, besides clean. */
export const BAD_KINDS = ['mishit', 'flyer', 'misread'] as const
export type BadKind = (typeof BAD_KINDS)[number]

/** How likely each kind is before the carry is looked at. */
export interface Shares {
  clean: number
  mishit: number
  flyer: number
  misread: number
}

function sharesOf({
  mishit = MODEL.mishitShare,
  flyer = MODEL.flyerShare,
  misread = MODEL.misreadShare,
}: Partial<Shares>): Shares {
  return { clean: 1 - mishit - flyer - misread, mishit, flyer, misread }
}

/** Of an unmarked ball of a player who mishits so often, and of one that its strike or its spin makes suspect. */
export const ballShares = (mishit: number): Shares => sharesOf({ mishit })
export const USUAL_SHARES = ballShares(MODEL.mishitShare)
export const SUSPECT_SHARES: Record<BadKind, Shares> = {
  mishit: sharesOf({ mishit: MODEL.calledMishitShare }),
  flyer: sharesOf({ flyer: MODEL.lowSpinFlyerShare }),
  misread: sharesOf({ misread: MODEL.impossibleSpinMisreadShare }),
}

/**
 * What the middle of an unmarked pile can be: a mishit or a flyer only if most of its balls were (half of them count
 * half) and nobody saw it, a misread hardly ever: whoever lasers a pile sees it lie there.
 * @param balls in the pile, from 2
 * @param mishitShare of the player's single balls
 * @example pileShares(9).mishit // => 0.0000167
 */
export function pileShares(balls: number, mishitShare: number = MODEL.mishitShare): Shares {
  const most = (share: number) => {
    const half = Math.floor(balls / 2)
    // At least k of n: the regularised incomplete beta function (Abramowitz and Stegun 26.5.24).
    const atLeast = (k: number) => betainc(share, k, balls - k + 1)
    return balls % 2 === 1 ? atLeast(half + 1) : (atLeast(half) + atLeast(half + 1)) / 2
  }
  const { flyer, misread } = USUAL_SHARES
  const unseen = (share: number) => MODEL.pileBad * most(share)
  return sharesOf({ mishit: unseen(mishitShare), flyer: unseen(flyer), misread: misread * MODEL.pileMisread })
}

/** So that a shot beyond all four kinds still divides. */
const LEAST_DENSITY = 1e-300

function stretch(e: number, s: number, from: number, to: number): number {
  const low = (e - to) / s
  const high = (e - from) / s
  if (low >= SURE_Z || high <= -SURE_Z) return 0
  return ((high >= SURE_Z ? 1 : quickNormalCdf(high)) - (low <= -SURE_Z ? 0 : quickNormalCdf(low))) / (to - from)
}

/** Density of each kind at e, already times its share. */
export const mishitDensity = (e: number, s: number) => stretch(e, s, MODEL.mishitFrom, MODEL.mishitTo)
export const flyerDensity = (e: number, s: number) => stretch(e, s, MODEL.flyerFrom, MODEL.flyerTo)
export const misreadDensity = (e: number, v: number) => normalDensity(e, v + MODEL.misreadSd * MODEL.misreadSd)

function densities(e: number, v: number, shares: Shares) {
  const s = Math.sqrt(v)
  return {
    clean: shares.clean * normalDensity(e, v),
    mishit: shares.mishit * mishitDensity(e, s),
    flyer: shares.flyer * flyerDensity(e, s),
    misread: shares.misread * misreadDensity(e, v),
  }
}

/**
 * How likely a ball is clean, a mishit, a flyer or a misread.
 * A mishit falls anywhere from 5 % to 55 % short, a flyer from 4 % to 32 % long, a misread about anywhere.
 * @param e ln carry less what is expected of it
 * @param v variance of that difference for a clean ball
 * @returns probabilities that add up to 1
 * @example kindsOfShot(0, 0.0009).clean // => 0.998
 */
export function kindsOfShot(e: number, v: number, shares: Shares = USUAL_SHARES): Shares {
  const { clean, mishit, flyer, misread } = densities(e, v, shares)
  const sum = clean + mishit + flyer + misread + LEAST_DENSITY
  return { clean: clean / sum, mishit: mishit / sum, flyer: flyer / sum, misread: misread / sum }
}

/** Density at e of a ball that may be any of the four kinds. */
export function kindsDensity(e: number, v: number, shares: Shares = USUAL_SHARES): number {
  const { clean, mishit, flyer, misread } = densities(e, v, shares)
  return clean + mishit + flyer + misread + LEAST_DENSITY
}
