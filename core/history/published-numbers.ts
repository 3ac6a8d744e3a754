import type { StockShot } from '../bag/bag'

/** The chart the player carries: when it was published, and its numbers as the balls had them. */
export interface PublishedNumbers {
  publishedAtMs: number
  /** `carryM` is what the player reads, `modelM` what the balls said. */
  cells: readonly (StockShot & { carryM: number | null; modelM: number | null; lnVariance: number | null })[]
}
