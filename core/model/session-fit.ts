import { exp } from '../stats/exact'
import { startSession, withinSession, type Belief, type Room } from './belief'
import { MODEL } from './constants'
import { flyerDensity, kindsOfShot, misreadDensity, mishitDensity, type Shares } from './kinds'
import { normalDensity } from '../stats/normal'
import { setShares, type SessionColumns } from './shots'
import type { Spread, SpreadSums } from './spread'

const LEAST_CAVITY = 1e-9
const LEAST_DENSITY = 1e-300
const DAMPING = 0.5
const MOST_LEVERAGE = 0.95

/** Noise of one ball of each hit cell at the mean as it stands. */
function setNoise(work: SessionColumns, spread: number, looseness: Float64Array): void {
  const { cells, mean, own, growth, inverseCarry2 } = work
  for (let i = 0; i < cells.length; i++) {
    const carryM = exp(mean[i]!)
    const g = 1 + MODEL.spreadOffsetM / carryM
    growth[i] = g
    own[i] = spread * spread * g * g * looseness[cells[i]!]!
    inverseCarry2[i] = 1 / (carryM * carryM)
  }
}

/** Precision and weighted sum of each hit cell from its shots' sites. */
export function sumSites({ at, siteP, siteQ, precision, weighted }: SessionColumns): void {
  precision.fill(0)
  weighted.fill(0)
  for (let k = 0; k < at.length; k++) {
    precision[at[k]!]! += siteP[k]!
    weighted[at[k]!]! += siteQ[k]!
  }
}

/** The first say of every shot: as if it were clean. A shot that counts by the coach's word keeps that say. */
function touch(work: SessionColumns): void {
  const { at, y, own, inverseCarry2, measured2, pileShare, counts, siteP, siteQ, clean } = work
  for (let k = 0; k < at.length; k++) {
    if (siteP[k] !== 0 && counts[k] === 0) continue
    const cell = at[k]!
    const p = clean[k]! / (own[cell]! * pileShare[k]! + measured2[k]! * inverseCarry2[cell]!)
    siteP[k] = p
    siteQ[k] = p * y[k]!
  }
}

/** Below this a ball is heard as far as it is likely clean, and no more. Our choice. */
const HEARD_FROM = 0.4
const BISECTIONS = 12

/**
 * The share of a ball that is heard: how likely it is clean; but where it is likelier clean than not, never so much
 * less that a ball further out moves the number less. w·e has its greatest value where (1 − w)·e² is the variance of e;
 * beyond that place it is held there until w is a half, and lets go below it.
 * @param w how likely the ball is clean; @param e ln carry less what is expected of it
 * @param v variance of that difference for a clean ball
 */
function heardOf(w: number, e: number, v: number, shares: Shares): number {
  if (w < HEARD_FROM || (1 - w) * e * e <= v) return w
  let near = 0
  let far = 1
  for (let i = 0; i < BISECTIONS; i++) {
    const part = (near + far) / 2
    const isBefore = (1 - kindsOfShot(part * e, v, shares).clean) * part * part * e * e <= v
    if (isBefore) near = part
    else far = part
  }
  const most = kindsOfShot(near * e, v, shares).clean * near
  const holds = Math.min(1, (w - HEARD_FROM) / (0.5 - HEARD_FROM))
  return w + holds * Math.max(0, most - w)
}

/**
 * Moves every shot's site half the way to what the other shots of its cell make of it: expectation propagation (Minka,
 * UAI 2001), with one rule of its own. A site that has the mean and the variance of "clean or not" speaks of a place
 * beyond its ball wherever it is not sure, and in a wider belief it would push the number past the ball. Here each
 * speaks of its own ball and no other place, as surely as gives that mean: w / (noise + (1 − w)·cavity), w being what
 * is heard of it. The variance that this leaves out is given back at the end (`ball-doubt.ts`).
 */
function updateSites(work: SessionColumns): void {
  const {
    at,
    y,
    own,
    inverseCarry2,
    measured2,
    pileShare,
    counts,
    siteP,
    siteQ,
    clean,
    shares,
    mishit,
    fault,
    without,
    withoutV,
    likely,
    mean,
    variance,
  } = work
  for (let k = 0; k < at.length; k++) {
    if (counts[k] === 1) continue
    const cell = at[k]!
    const yk = y[k]!
    const p = siteP[k]!
    const q = siteQ[k]!
    const noise = own[cell]! * pileShare[k]! + measured2[k]! * inverseCarry2[cell]!
    const v = variance[cell]!
    // The cell without this shot.
    const left = 1 / v - p
    const cavityV = 1 / (left > LEAST_CAVITY ? left : LEAST_CAVITY)
    const cavityM = cavityV * (mean[cell]! / v - q)
    const e = yk - cavityM
    const total = cavityV + noise
    const s = Math.sqrt(total)
    const share = shares[k]!
    const f0 = share.clean * normalDensity(e, total)
    const f1 = share.mishit * mishitDensity(e, s)
    const f2 = share.flyer * flyerDensity(e, s)
    const f3 = share.misread * misreadDensity(e, total)
    const all = f0 + f1 + f2 + f3 + LEAST_DENSITY
    const w = f0 / all
    without[k] = cavityM
    withoutV[k] = cavityV
    likely[k] = all
    mishit[k] = f1 / all
    fault[k] = f3 >= f1 && f3 >= f2 ? 2 : f2 >= f1 ? 1 : 0
    const heard = heardOf(w, e, total, share)
    const speaks = heard / (noise + (1 - heard) * cavityV)
    siteP[k] = DAMPING * p + DAMPING * speaks
    siteQ[k] = DAMPING * q + DAMPING * speaks * yk
    clean[k] = DAMPING * clean[k]! + DAMPING * w
  }
}

/** How often this session's single balls were mishit: one that the coach called so tells what its carry makes of it. */
function tellMishits({ single, mishit }: SessionColumns, sums: SpreadSums): void {
  for (let k = 0; k < single.length; k++) {
    if (single[k] === 0) continue
    sums.mishits += mishit[k]!
    sums.judged += 1
  }
}

/** What the scatter of this session's single balls, and the length of its piles, tells of the spread. */
function tellSpread(work: SessionColumns, sums: SpreadSums): void {
  const { at, cells, y, own, growth, inverseCarry2, measured2, single, clean, siteP, mean, variance, extents } = work
  for (let k = 0; k < at.length; k++) {
    if (single[k] === 0) continue
    const cell = at[k]!
    const share = own[cell]! / (own[cell]! + measured2[k]! * inverseCarry2[cell]!)
    const leverage = variance[cell]! * siteP[k]!
    const off = (y[k]! - mean[cell]!) / growth[cell]!
    sums.cellDegrees[cells[cell]!]! += clean[k]! * share * (1 - (leverage < MOST_LEVERAGE ? leverage : MOST_LEVERAGE))
    sums.cellSquares[cells[cell]!]! += clean[k]! * share * share * off * off
  }
  for (const { shot, sd, degrees, readSd } of extents) {
    const cell = at[shot]!
    const share = own[cell]! / (own[cell]! + readSd * readSd * inverseCarry2[cell]!)
    const off2 = (sd * sd * inverseCarry2[cell]!) / (growth[cell]! * growth[cell]!)
    sums.cellDegrees[cells[cell]!]! += clean[shot]! * share * degrees
    sums.cellSquares[cells[cell]!]! += clean[shot]! * share * share * degrees * off2
  }
}

/**
 * The rounds of one session: what each shot is worth, given the others, and what its scatter tells of the spread.
 * @param belief of all cells on that day; not changed here
 */
export function fitSession(
  room: Room,
  work: SessionColumns,
  belief: Belief,
  { spread, looseness, mishitShare }: Spread,
  sums: SpreadSums,
): void {
  setShares(work, mishitShare)
  startSession(room, belief, work.cells, work.daySd)
  const h = work.cells.length
  const isLater = work.started
  const rounds = isLater ? MODEL.laterRounds : MODEL.rounds
  if (!isLater) {
    for (let i = 0; i < h; i++) {
      work.mean[i] = room.start[i]!
      work.variance[i] = room.prior[i * h + i]!
    }
    work.started = true
  }
  for (let round = 0; round < rounds; round++) {
    setNoise(work, spread, looseness)
    touch(work)
    sumSites(work)
    const moved = withinSession(room, work, work.mean, work.variance)
    for (let i = 0; i < h; i++) if (work.variance[i]! < MODEL.leastVariance) work.variance[i] = MODEL.leastVariance
    updateSites(work)
    if (isLater && moved < MODEL.stillLnCarry) break
  }
  sumSites(work)
  tellSpread(work, sums)
  tellMishits(work, sums)
}
