import type { StockShot } from '../bag/bag'
import type { Lie } from '../pick/lies'

/** One approach of a round, as far as it was told. Metres; past the target and right of it are positive. */
export interface Approach extends Partial<StockShot> {
  hole?: number
  /** From here the green could be reached: the unit that rounds are counted in. */
  chance: boolean
  distanceM: number
  lie?: Lie
  /** Where it finished; missing where nobody said. */
  offM?: number
  sideM?: number
  /** Standard deviation of the distance, metres, where it was measured by position. */
  errorM?: number
  /** From the tee of a par 3, or of a par 4 that can be driven. */
  tee?: 3 | 4
  /** Strokes of penalty. */
  penalty?: number
}

/** What a set of rounds is counted from. */
export interface Played {
  approaches: readonly Approach[]
}

/** Distances that rounds asked for, metres. */
export const askedDistances = (rounds: readonly Played[]): number[] =>
  chancesOf(rounds).map(({ distanceM }) => distanceM)

/**
 * Chances of all rounds, in order. Par 4s that were driven at are counted apart: a tee shot asks for the longest club,
 * whatever the distance.
 */
export const chancesOf = (rounds: readonly Played[]): Approach[] =>
  rounds.flatMap(({ approaches }) => approaches.filter(({ chance, tee }) => chance && tee !== 4))
