import { exp } from '../stats/exact'
import { startSession, withinSession, type Belief, type Room } from './belief'
import { MODEL } from './constants'
import { flyerDensity, misreadDensity, mishitDensity } from './kinds'
import { normalDensity } from '../stats/normal'
import { setShares, type SessionColumns } from './shots'
import type { Spread, SpreadSums } from './spread'

const LEAST_CAVITY = 1e-9
const LEAST_DENSITY = 1e-300
/** A site may not make its cell surer than it was without it by nothing at all: keeps its precision above 0. */
const LEAST_SHRINK = 0.9999
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

/**
 * What a swing length's usual share of full leaves open beyond the model's own doubt, where nothing but that share
 * speaks of the cell: whoever saw a pile of them lie there knows better. Nothing where the cell has balls of its own.
 */
function doubtOfShare(cavityVariance: number): number {
  const known = MODEL.ownBallsSd ** 2
  return cavityVariance <= known ? 0 : MODEL.pileShareSd ** 2 * (1 - known / cavityVariance)
}

/**
 * Moves every shot's site half the way to what the other shots of its cell make of it: expectation propagation by
 * moment matching (Minka, UAI 2001). A doubtful ball widens the interval rather than being counted a little.
 */
function updateSites(work: SessionColumns): void {
  const {
    at,
    y,
    own,
    inverseCarry2,
    measured2,
    pileShare,
    single,
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
    const f0 = share.clean * normalDensity(e, total + (single[k] === 1 ? 0 : doubtOfShare(cavityV)))
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
    const cleanV = 1 / (1 / cavityV + 1 / noise)
    const cleanM = cleanV * (cavityM / cavityV + yk / noise)
    const tiltedM = w * cleanM + (1 - w) * cavityM
    const moved = cleanM - cavityM
    const mixedV = w * cleanV + (1 - w) * cavityV + w * (1 - w) * moved * moved
    const tiltedV = mixedV < LEAST_SHRINK * cavityV ? mixedV : LEAST_SHRINK * cavityV
    siteP[k] = DAMPING * p + DAMPING * (1 / tiltedV - 1 / cavityV)
    siteQ[k] = DAMPING * q + DAMPING * (tiltedM / tiltedV - cavityM / cavityV)
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
  if (!work.started) {
    for (let i = 0; i < h; i++) {
      work.mean[i] = room.start[i]!
      work.variance[i] = room.prior[i * h + i]!
    }
    work.started = true
  }
  for (let round = 0; round < MODEL.rounds; round++) {
    setNoise(work, spread, looseness)
    touch(work)
    sumSites(work)
    withinSession(room, work, work.mean, work.variance)
    for (let i = 0; i < h; i++) if (work.variance[i]! < MODEL.leastVariance) work.variance[i] = MODEL.leastVariance
    updateSites(work)
  }
  sumSites(work)
  tellSpread(work, sums)
  tellMishits(work, sums)
}
