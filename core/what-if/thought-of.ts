import { clubsInUse, isGridClub, rungsInUse, type Bag, type StockShot } from '../bag/bag'
import { GRID_LOFT_MAX_DEG, GRID_LOFT_MIN_DEG } from '../limits'

/** Lofts that are made: whole degrees, as far as the model knows them. */
export const MADE_LOFTS: readonly number[] = Array.from(
  { length: GRID_LOFT_MAX_DEG - GRID_LOFT_MIN_DEG + 1 },
  (_, i) => GRID_LOFT_MIN_DEG + i,
)

/** A club maker bends by so much at most without harm: common practice. The bounce changes by the same angle. */
export const BEND_MOST_DEG = 3

/** Lofts a club can be bent to: whole degrees away, as far as it may be bent and the model knows. */
export function bends(loftDeg: number): number[] {
  const found: number[] = []
  for (let by = -BEND_MOST_DEG; by <= BEND_MOST_DEG; by++)
    if (by !== 0 && loftDeg + by >= GRID_LOFT_MIN_DEG && loftDeg + by <= GRID_LOFT_MAX_DEG) found.push(loftDeg + by)
  return found
}

/** A bag that is only thought of: clubs, swing lengths, what is struck out, and numbers moved by hand. */
export interface WhatIf {
  /** Clubs of the grid, each from the player's bag, perhaps bent, or not owned (`from` null). */
  clubs: { id: string; from: string | null; label: string; loftDeg: number }[]
  /** Swing lengths in use, by id; those of `newRungs` among them. */
  rungs: string[]
  newRungs: { id: string; label: string; fraction: number }[]
  struckOut: StockShot[]
  moved: (StockShot & { carryM: number })[]
}

/** The bag as it is, to change from. */
export function asItIs(bag: Bag): WhatIf {
  return {
    clubs: clubsInUse(bag)
      .filter(isGridClub)
      .map(({ id, label, loftDeg }) => ({ id, from: id, label, loftDeg })),
    rungs: rungsInUse(bag).map(rung => rung.id),
    newRungs: [],
    struckOut: bag.struckOut.map(({ clubId, rungId }) => ({ clubId, rungId })),
    moved: [],
  }
}

/** What a search may do. */
export interface SearchLimits {
  /** Clubs in the whole bag, longer ones too: 14 by the Rules of Golf, 4.1b. */
  clubsInAll: number
  /** Clubs of the grid. */
  wedges: number
  /** Changes at once: each bent, added or taken-out club is one. */
  changes: number
  /** Clubs that stay as they are. */
  dear: readonly string[]
}

export const USUAL_LIMITS: SearchLimits = { clubsInAll: 14, wedges: 5, changes: 3, dear: [] }

/**
 * Wedges of equal loft steps, both ends among them, in whole degrees: a set to start from.
 * @param count of clubs, two or more
 * @example equalSteps(46, 58, 3) // => [58, 52, 46]
 */
export function equalSteps(strongestDeg: number, weakestDeg: number, count: number): number[] {
  return Array.from({ length: count }, (_, i) =>
    Math.round(weakestDeg - ((weakestDeg - strongestDeg) * i) / (count - 1)),
  )
}
