import { cellKey, type StockShot } from '../bag/bag'
import { groupBy } from '../group-by'
import { MODEL } from '../model/constants'
import { usualScatterM } from '../model/usual-scatter'
import { median } from '../stats/median'
import type { GridFit } from './grid-fit'

/** A practice ball with a stock shot: what it was hit to, and how far past that it went. Metres. */
export interface PracticeLeave extends StockShot {
  targetM: number
  offM: number
  /** Beside the line; missing where nobody saw it. */
  sideM?: number
}

/** What practice tells of one stock shot. */
export interface Practised {
  /** Squares about its own middle over those of a usual ball, summed, and the balls' worth of knowledge in them. */
  squares: number
  degrees: number
  balls: number
  mishits: number
  /** Balls it rests on. */
  told: number
}

/**
 * A practice ball is worth so much of a range ball: its target is seldom the number itself, and how much more or less
 * was tried is not known. Our choice.
 */
const WORTH = 0.5
/** So many of its scatters off its middle, it was no strike of the stock shot. Our choice. */
const MISHIT_SDS = 3.5
/** Standard deviation of a normal over its median absolute deviation. */
const SD_OVER_MAD = 1.4826
/** Fewer tell nothing of a scatter. Our choice. */
const LEAST_BALLS = 4

/** Of every stock shot with at least four such balls, by `cellKey`. @param spread of the player's clean balls, ln */
export function practised(leaves: readonly PracticeLeave[], spread: number): Map<string, Practised> {
  const found = new Map<string, Practised>()
  for (const [key, all] of groupBy(leaves, cellKey)) {
    if (all.length < LEAST_BALLS) continue
    const off = all.map(({ targetM, offM }) => offM / usualScatterM(spread, targetM))
    const middle = median(off)
    // A stock shot that lies wide throughout is loose, and no row of mishits.
    const scale = Math.max(1, SD_OVER_MAD * median(off.map(sds => Math.abs(sds - middle))))
    const clean = off.filter(sds => Math.abs(sds - middle) <= MISHIT_SDS * scale)
    const mean = clean.reduce((sum, sds) => sum + sds, 0) / clean.length
    found.set(key, {
      squares: WORTH * clean.reduce((sum, sds) => sum + (sds - mean) ** 2, 0),
      degrees: WORTH * (clean.length - 1),
      balls: WORTH * all.length,
      mishits: WORTH * (all.length - clean.length),
      told: all.length,
    })
  }
  return found
}

/** What is known of how a stock shot strays: variance over the usual, and balls judged with the mishit ones. */
interface Strays {
  looseness: number
  degrees: number
  balls: number
  mishits: number
}

/** How a stock shot strays by its own balls and by practice together. */
export function withPractised<T extends Strays>(own: T, { squares, degrees, balls, mishits }: Practised): T {
  const all = own.degrees + degrees
  return {
    ...own,
    looseness: (own.degrees * own.looseness + squares) / all,
    degrees: all,
    balls: own.balls + balls,
    mishits: own.mishits + mishits,
  }
}

/**
 * Scatter of each stock shot of the grid with practice over that without, by `cellKey`, where practice tells of it:
 * what Pick takes with the next published chart.
 */
export function practiceTimes({ fit, indexOf }: GridFit, leaves: readonly PracticeLeave[]): Map<string, number> {
  return new Map(
    [...practised(leaves, fit.spread)].flatMap(([key, more]) => {
      const i = indexOf.get(key)
      if (i === undefined) return []
      const looseness = fit.looseness[i]!
      const own = { looseness, degrees: MODEL.loosenessBalls + fit.cellDegrees[i]!, balls: 0, mishits: 0 }
      return [[key, Math.sqrt(withPractised(own, more).looseness / looseness)] as const]
    }),
  )
}
