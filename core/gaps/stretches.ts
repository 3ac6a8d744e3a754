import type { StockShot } from '../bag/bag'
import { yardsToMetres, type DistanceUnit } from '../units'

/** Gripping down an inch takes about 5 yd off a carry: common practice. Flag words may use it as {gripDownM}. */
export const GRIP_DOWN_M = yardsToMetres(5)
/** A shot the player can choose for a target: a stock shot, or one gripped down an inch. */
export interface CoverShot extends StockShot {
  grippedDown: boolean
  /** No ball of it counts. */
  predicted: boolean
  carryM: number
  /** Doubt about the number, and scatter of one ball about it, one standard deviation, metres. */
  certaintySdM: number
  scatterSdM: number
  sideBiasM: number
  sideSdM: number
}

/** One yard (or metre) of cover. */
export interface CoverAt {
  atM: number
  /** The shot that leaves least, by its place in `shots`. */
  best: number
  /** Expected leave, and what one ball in ten exceeds. */
  leaveM: number
  badM: number
  /** The same player with a stock shot that carries exactly so far: what could be. */
  couldM: number
  /**
   * Beyond what could be if every number were certain; surely: also with every number moved towards it within its
   * doubt.
   */
  hole: 'sure' | 'open' | null
}

export interface Cover {
  unit: DistanceUnit
  shots: CoverShot[]
  at: CoverAt[]
  mishitShare: number
}

/** Neighbouring targets of which the same holds, as stretches. */
export function stretches<T extends string>(
  at: readonly CoverAt[],
  kindOf: (one: CoverAt) => T | null,
): { kind: T; all: CoverAt[] }[] {
  const found: { kind: T; all: CoverAt[] }[] = []
  let before: T | null = null
  for (const one of at) {
    const kind = kindOf(one)
    if (kind !== null && kind === before) found.at(-1)!.all.push(one)
    else if (kind !== null) found.push({ kind, all: [one] })
    before = kind
  }
  return found
}

/**
 * A stretch is a hole for sure when a third of its yards are: the others are its edges. One alone made too many false
 * ones. [sim]
 */
export const isSureHole = (all: readonly CoverAt[]): boolean =>
  3 * all.filter(one => one.hole === 'sure').length >= all.length

/** What the whole cover comes to. */
export interface CoverSum {
  /** Targets, those within the line, the worst of them, and the mean leave over all. */
  targets: number
  within: number
  /** Beyond the line also with a stock shot of just that number: no bag mends those. */
  scatterAlone: number
  worst: CoverAt
  meanM: number
}

/** @returns null without a target */
export function sumCover(at: readonly CoverAt[], lineM: number): CoverSum | null {
  if (at.length === 0) return null
  return {
    targets: at.length,
    within: at.filter(one => one.leaveM <= lineM).length,
    scatterAlone: at.filter(one => one.leaveM > lineM && one.couldM > lineM).length,
    worst: at.reduce((worst, one) => (one.leaveM > worst.leaveM ? one : worst)),
    meanM: at.reduce((sum, one) => sum + one.leaveM, 0) / at.length,
  }
}
