import type { StockShot } from '../bag/bag'
import type { AnyShot, NeutralShot, Shot } from '../shot/shot'
import { MODEL } from '../model/constants'

/**
 * Why a ball that is on record, and that nobody left out, is not in the numbers: it cannot be worked out.
 * - `too-windy`: the wind was too strong to take out
 * - `no-flight-there`: no flight of such a club pitches so far away at that height
 * - `no-stock-carry`: shorter or longer than any stock shot
 * - `called-plus`: it was called longer or shorter than the stock shot, and what that does is not known yet
 */
export const ASIDE_REASONS = ['too-windy', 'no-flight-there', 'no-stock-carry', 'called-plus'] as const
export type AsideReason = (typeof ASIDE_REASONS)[number]

/** A ball that was set aside, and why. */
export interface SetAside extends StockShot {
  shot: string
  why: AsideReason
  /** As it was measured, metres. */
  carryM: number
}

/** The ball, not counting for this reason; one that somebody left out keeps that one. */
export function aside<S extends AnyShot>(shot: S, why: AsideReason): S {
  return { ...shot, leftOut: shot.leftOut ?? why }
}

/**
 * Work about one ball, at its own boundary: what the flight refuses for its figures (a RangeError that names them) is
 * no answer about that ball. Any other error is the program's, and is not hidden.
 * @returns null when the figures were refused
 * @example unlessRefused(() => { throw new RangeError('spinRpm -1 is not possible') }) // => null
 */
export function unlessRefused<T>(work: () => T): T | null {
  try {
    return work()
  } catch (error) {
    if (error instanceof RangeError) return null
    throw error
  }
}

/** True for a carry that a stock shot can have, metres in neutral air. @example isStockCarry(1.8288) // => false */
export function isStockCarry(carryM: number): boolean {
  return carryM >= MODEL.leastCarryM && carryM <= MODEL.mostCarryM
}

/** The balls that no stock shot can have carried, set aside. */
export function withoutOddCarries(shots: readonly NeutralShot[]): NeutralShot[] {
  return shots.map(shot => (isStockCarry(shot.carryM) ? shot : aside(shot, 'no-stock-carry')))
}

/** What was set aside between the measured record and the one the numbers are made from, in the order of the record. */
export function setAsideOf(measured: readonly Shot[], used: readonly NeutralShot[]): SetAside[] {
  const whyOf = new Map(
    used.flatMap(({ id, leftOut }) => ASIDE_REASONS.filter(why => why === leftOut).map(why => [id, why] as const)),
  )
  return measured.flatMap(({ id, clubId, rungId, carryM, leftOut }) => {
    const why = leftOut === null ? whyOf.get(id) : undefined
    return why ? [{ shot: id, clubId, rungId, why, carryM }] : []
  })
}
