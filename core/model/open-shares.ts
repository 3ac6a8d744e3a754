import { asin, ln, sin } from '../stats/exact'
import { MODEL } from './constants'
import type { SessionColumns } from './shots'
import type { FitOptions, Spread } from './spread'

/** Below this share nothing changes any more. */
const LEAST_SHARE = 0.005
/** Further out than so many steps nothing is left. */
const STEPS = 3

/**
 * The shares of mishits that the balls leave open, the likeliest not among them: alike apart on the scale on which
 * shares are known equally well (the arcsine of the root; Anscombe, Biometrika 35, 1948). None where the share is told,
 * or so well known that the others would change no number.
 * @param likeliest the share that was learnt; @param judged of so many balls
 * @param priorBalls what was known of it before, in balls; without end where it is told
 * @returns in two rows, downwards and upwards from the likeliest: each fit begins where its neighbour ended; or none
 * @example openShares(0.1, 12, 3)[1].length // => 2
 * @example openShares(0.1, 1000, 3) // => []
 */
export function openShares(likeliest: number, judged: number, priorBalls: number): number[][] {
  const step = Math.min(MODEL.mostShareStep, MODEL.shareStep / Math.sqrt(judged + priorBalls))
  if (judged === 0 || step < MODEL.leastShareStep) return []
  const at = asin(Math.sqrt(likeliest))
  const [least, most] = [LEAST_SHARE, MODEL.mostMishitShare].map(share => asin(Math.sqrt(share))) as [number, number]
  const row = (sign: number) =>
    Array.from({ length: STEPS }, (_, i) => at + sign * (i + 1) * step)
      .filter(angle => angle > least && angle < most)
      .map(angle => sin(angle) ** 2)
  return [row(-1), row(1)]
}

/**
 * ln density of a share before the first ball that the fit sees, on the scale of `openShares`: a Beta, with what the
 * coach called; nothing where the share is told.
 */
function lnBefore(share: number, { mishitShare, mishitBalls, judgedByCoach }: FitOptions): number {
  if (mishitBalls === Infinity) return 0
  const { mishits: called, others } = judgedByCoach ?? { mishits: 0, others: 0 }
  const mishits = mishitShare * mishitBalls + called
  const balls = mishitBalls + called + others
  return (mishits - 0.5) * ln(share) + (balls - mishits - 0.5) * ln(1 - share)
}

/** ln density of the spread found, before the first ball: a scaled inverse χ². */
const lnSpreadBefore = ({ spread }: Pick<Spread, 'spread'>, before: FitOptions): number =>
  (-before.spreadBalls / 2) * (2 * ln(spread) + (before.spread / spread) ** 2)

/**
 * ln of what a session's sites stand for beside what they do to the belief: with the evidence of `absorb` it is the
 * likelihood of its balls, up to a constant (Minka, UAI 2001: each site has a scale).
 */
function siteEvidence(work: SessionColumns): number {
  const { at, y, counts, siteP, siteQ, without, withoutV, likely, cells, precision, weighted } = work
  let sum = 0
  for (let k = 0; k < at.length; k++) {
    const p = siteP[k]!
    const q = siteQ[k]!
    if (counts[k] === 1) {
      sum += 0.5 * (ln(p) - p * y[k]! * y[k]!)
      continue
    }
    const known = 1 / withoutV[k]!
    const h = without[k]! * known
    sum += ln(likely[k]!) + 0.5 * (ln(1 + p / known) - ((h + q) * (h + q)) / (known + p) + (h * h) / known)
  }
  for (let i = 0; i < cells.length; i++)
    if (precision[i]! > 0) sum += (0.5 * weighted[i]! * weighted[i]!) / precision[i]!
  return sum
}

/** What the sessions say for this share and the spread found with it, beside the evidence of their beliefs. */
export const evidenceOfShare = (found: Spread, works: readonly SessionColumns[], before: FitOptions): number =>
  works.reduce((sum, work) => sum + siteEvidence(work), lnBefore(found.mishitShare, before)) +
  lnSpreadBefore(found, before)
