import type { StockShot } from '../bag/bag'
import { inTime } from '../shot/by-cell'
import type { AnyShot } from '../shot/shot'
import { middleOfThePile } from './middle-of-the-pile'

/** The balls of one stock shot, as they were measured. */
export interface Pile extends StockShot {
  /** Balls that count, a pile measured as one with all its balls. */
  balls: number
  /** Balls on record that do not count. */
  leftOut: number
  lastHitMs: number | null
  /** Measured carries that count, metres, in the order hit. */
  carriesM: number[]
  leftOutCarriesM: number[]
  /** Plain middle of those that count, metres: what a coach works out by hand; null without any. */
  middleM: number | null
}

/** @param shots all shots of this cell, in any order */
export function pileOf(cell: StockShot, shots: readonly AnyShot[]): Pile {
  const ordered = inTime(shots)
  const counted = ordered.filter(shot => shot.leftOut === null)
  const out = ordered.filter(shot => shot.leftOut !== null)
  const carriesM = counted.map(shot => shot.carryM)
  const count = (list: readonly AnyShot[]) => list.reduce((sum, shot) => sum + shot.balls, 0)
  return {
    clubId: cell.clubId,
    rungId: cell.rungId,
    balls: count(counted),
    leftOut: count(out),
    lastHitMs: ordered.at(-1)?.hitAtMs ?? null,
    carriesM,
    leftOutCarriesM: out.map(shot => shot.carryM),
    middleM: carriesM.length > 0 ? middleOfThePile(carriesM) : null,
  }
}
