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

/** Chances of all rounds, in order. */
export const chancesOf = (rounds: readonly Played[]): Approach[] =>
  rounds.flatMap(({ approaches }) => approaches.filter(({ chance }) => chance))
