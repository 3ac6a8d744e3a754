import { aimed } from '../gaps/aim'
import { clubsInUse, isGridClub, type StockShot } from '../bag/bag'
import { MODEL } from '../model/constants'
import { ballSd } from '../model/estimate'
import { exp } from '../stats/exact'
import { grippedDown } from '../gaps/cover'
import { leastLeaveM, meanLeaveM } from '../gaps/leave'
import { GRIP_DOWN_M, type CoverShot } from '../gaps/stretches'
import { yardsToMetres } from '../units'
import { place, type Layout } from './layout'
import { asItIs, bends, MADE_LOFTS, type SearchLimits, type WhatIf } from './thought-of'

export interface Change {
  kind: 'bend' | 'add' | 'take-out'
  clubId: string
  fromDeg: number | null
  toDeg: number | null
}

/** A bag that was found. */
export interface Found {
  whatIf: WhatIf
  changes: Change[]
  /** Mean over all targets of the least leave, metres, and what it must earn beside. */
  meanM: number
  priceM: number
}

export interface Progress {
  looked: number
  of: number
}
export interface SearchResult {
  best: Found[]
  looked: number
  of: number
  stopped: boolean
}

/**
 * What a change must earn over all targets before it is worth it: a bent club, one bought, one left at home. Our
 * choice.
 */
const PRICE_M = { 'bend': yardsToMetres(0.05), 'add': yardsToMetres(0.25), 'take-out': yardsToMetres(0.02) } as const
/** How many are named. */
const NAMED = 3
/** Between two words to whoever waits. */
const LOT = 2_000

/** What can stand in one place of the bag: a club as it is or changed, or none; with what it leaves at each target. */
interface Option {
  club: WhatIf['clubs'][number] | null
  change: Change | null
  leavesM: Float64Array
}

/** What a club's stock shots leave at each target, the best of them. */
export function clubLeaves(
  layout: Layout,
  club: WhatIf['clubs'][number],
  whatIf: WhatIf,
  struck: readonly StockShot[],
  targetsM: readonly number[],
): Float64Array {
  const { fit } = layout.grid
  const n = fit.mean.length
  const { mishitShare } = fit
  const sides = aimed(layout.sides, layout.aimedStraight)
  const shots = place(layout, { ...whatIf, clubs: [club] })
    .filter(one => !struck.some(cell => cell.clubId === club.from && cell.rungId === one.rungId))
    .flatMap((one): CoverShot[] => {
      const carryM = exp(fit.mean[one.row]! + one.shift)
      const shot: CoverShot = {
        clubId: one.clubId,
        rungId: one.rungId,
        grippedDown: false,
        predicted: false,
        carryM,
        certaintySdM: carryM * Math.sqrt(fit.covariance[one.row * n + one.row]! + one.extraVariance),
        scatterSdM: carryM * ballSdAt(layout, one.row, carryM),
        sideBiasM: carryM * sides.bias[one.row]!,
        sideSdM: carryM * sides.sd,
      }
      return carryM > GRIP_DOWN_M ? [shot, grippedDown(shot)] : [shot]
    })
  return Float64Array.from(targetsM, targetM => {
    let best = Infinity
    for (const { carryM, certaintySdM, scatterSdM, sideBiasM, sideSdM } of shots) {
      const longSdM = Math.hypot(certaintySdM, scatterSdM)
      if (leastLeaveM(targetM, carryM, longSdM, sideBiasM, sideSdM, mishitShare) < best)
        best = Math.min(best, meanLeaveM(targetM, { carryM, longSdM, sideBiasM, sideSdM, mishitShare }))
    }
    return best
  })
}

/** Scatter goes by the carry that the bent club has, not by that it had. */
function ballSdAt(layout: Layout, row: number, carryM: number): number {
  const { fit } = layout.grid
  const before = exp(fit.mean[row]!)
  return (ballSd(fit, row) * (1 + MODEL.spreadOffsetM / carryM)) / (1 + MODEL.spreadOffsetM / before)
}

const added = (loftDeg: number, nth: number): WhatIf['clubs'][number] => ({
  id: `new ${nth}`,
  from: null,
  label: `${loftDeg}°`,
  loftDeg,
})

/** The places of a bag: one for each club of it, and as many more as clubs may be added. */
function placesOf(layout: Layout, base: WhatIf, limits: SearchLimits, targetsM: readonly number[]): Option[][] {
  const leaves = (club: WhatIf['clubs'][number]) => clubLeaves(layout, club, base, base.struckOut, targetsM)
  const nothing = Float64Array.from(targetsM, () => Infinity)
  const own = base.clubs.map((club): Option[] => {
    const asIs: Option = { club, change: null, leavesM: leaves(club) }
    if (limits.dear.includes(club.id)) return [asIs]
    return [
      asIs,
      ...bends(club.loftDeg).map((toDeg): Option => {
        const bent = { ...club, loftDeg: toDeg }
        return {
          club: bent,
          change: { kind: 'bend', clubId: club.id, fromDeg: club.loftDeg, toDeg },
          leavesM: leaves(bent),
        }
      }),
      {
        club: null,
        change: { kind: 'take-out', clubId: club.id, fromDeg: club.loftDeg, toDeg: null },
        leavesM: nothing,
      },
    ]
  })
  const none: Option = { club: null, change: null, leavesM: nothing }
  const fresh = MADE_LOFTS.map(loftDeg => ({ loftDeg, leavesM: leaves(added(loftDeg, 0)) }))
  const more = Array.from({ length: limits.changes }, (_, nth): Option[] => [
    none,
    ...fresh.map(({ loftDeg, leavesM }): Option => {
      const club = added(loftDeg, nth)
      return { club, change: { kind: 'add', clubId: club.id, fromDeg: null, toDeg: loftDeg }, leavesM }
    }),
  ])
  return [...own, ...more]
}

/** How many bags there are within so many changes: added clubs in order of loft, so that none is counted twice. */
function countBags(own: readonly Option[][], changes: number): number {
  // ways[k]: choices of own clubs with k changes.
  let ways = [1]
  for (const options of own) {
    const next = Array.from({ length: Math.min(changes, ways.length) + 1 }, () => 0)
    ways.forEach((count, k) => {
      next[k] = (next[k] ?? 0) + count
      if (k + 1 <= changes) next[k + 1] = (next[k + 1] ?? 0) + count * (options.length - 1)
    })
    ways = next
  }
  const multisets = (k: number) => {
    // of k lofts, each as often as one likes
    let count = 1
    for (let i = 1; i <= k; i++) count = (count * (MADE_LOFTS.length + i - 1)) / i
    return count
  }
  let total = 0
  ways.forEach((count, k) => {
    for (let extra = 0; k + extra <= changes; extra++) total += count * multisets(extra)
  })
  return total
}

/**
 * Looks at every bag within the limits and names the best: by the mean of what its best shot leaves over all targets,
 * and what each change has to earn. Exact, since it leaves none out.
 * @param wait called after every few thousand bags; resolves to true to stop there
 */
export async function searchBags(
  layout: Layout,
  limits: SearchLimits,
  targetsM: readonly number[],
  wait: (progress: Progress) => Promise<boolean>,
): Promise<SearchResult> {
  const base = asItIs(layout.player.bag)
  const longer = clubsInUse(layout.player.bag).filter(club => !isGridClub(club)).length
  const places = placesOf(layout, base, limits, targetsM)
  const own = base.clubs.length
  const most = Math.min(limits.wedges, limits.clubsInAll - longer)
  const of = countBags(places.slice(0, own), limits.changes)
  const best: { options: Option[]; meanM: number; priceM: number; score: number }[] = []
  const chosen: Option[] = []
  const size = targetsM.length
  const levels = Array.from({ length: places.length + 1 }, () => new Float64Array(size).fill(Infinity))
  let looked = 0
  let stopped = false

  function judge(depth: number): void {
    looked++
    const clubs = chosen.reduce((sum, option) => sum + (option.club ? 1 : 0), 0)
    if (clubs === 0 || clubs > most) return
    const level = levels[depth]!
    let sum = 0
    for (let t = 0; t < size; t++) sum += level[t]!
    const priceM = chosen.reduce((total, { change }) => total + (change ? PRICE_M[change.kind] : 0), 0)
    const score = sum / size + priceM
    if (best.length === NAMED && score >= best.at(-1)!.score) return
    best.push({ options: [...chosen], meanM: sum / size, priceM, score })
    best.sort((a, b) => a.score - b.score)
    best.length = Math.min(NAMED, best.length)
  }

  async function fill(depth: number, changes: number, leastLoft: number): Promise<void> {
    if (stopped) return
    const options = depth < places.length ? places[depth]! : []
    if (depth >= own) {
      // No more added: this is a bag.
      judge(depth)
      if (looked % LOT === 0 && (await wait({ looked, of }))) stopped = true
    }
    for (const option of options) {
      if (depth >= own && (!option.club || option.club.loftDeg < leastLoft)) continue
      const spent = changes + (option.change ? 1 : 0)
      if (spent > limits.changes) continue
      const [from, to] = [levels[depth]!, levels[depth + 1]!]
      for (let t = 0; t < size; t++) to[t] = from[t]! < option.leavesM[t]! ? from[t]! : option.leavesM[t]!
      chosen.push(option)
      await fill(depth + 1, spent, depth >= own ? option.club!.loftDeg : leastLoft)
      chosen.pop()
    }
  }
  await fill(0, 0, 0)
  return {
    looked,
    of,
    stopped,
    best: best.map(({ options, meanM, priceM }) => ({
      meanM,
      priceM,
      changes: options.flatMap(({ change }) => (change ? [change] : [])),
      whatIf: {
        ...base,
        clubs: options.flatMap(({ club }) => (club ? [club] : [])).sort((a, b) => b.loftDeg - a.loftDeg),
      },
    })),
  }
}
