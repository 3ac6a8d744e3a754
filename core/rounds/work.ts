import type { StockShot } from '../bag/bag'
import type { Level } from '../level'
import type { Memo } from '../memo'
import { chancesOf, type Played } from './approach'
import { shotCosts } from './cost'

/** A stock shot to work on, and what an hour of it may be worth. */
export interface Work extends StockShot {
  /** Share of chances it was hit for, 0 to 1. */
  share: number
  /** Strokes a ball beyond the level's. */
  lost: number
  /** Its number is off more than it scatters; past the target is positive, metres. */
  off: boolean
  meanOffM: number
  /** Strokes a round, as a guess. */
  worth: number
}

/** An hour is so many balls, walk in included; common practice. */
const HOUR_BALLS = 48
/** So many balls halve what can be gained, and at most half of it goes: the same guesses as in the plan of practice. */
const HALVES_AFTER = 60
const MOST_GAIN = 0.5
/** Less than a hundredth of a stroke a round is nobody's hour. Our choice. */
const LEAST_WORTH = 0.01
/** Balls before a stock shot is ranked. Our choice. */
const LEAST_TOLD = 3

/**
 * Need times weakness: stock shots by what an hour on each may be worth, most first. Only those that cost more than the
 * level's ball are listed.
 * @example workFor([], 'good', newMemo()) // => []
 */
export function workFor(rounds: readonly Played[], level: Level, memo: Memo): Work[] {
  const chances = chancesOf(rounds).length
  if (chances === 0) return []
  const gain = MOST_GAIN * (HOUR_BALLS / (HOUR_BALLS + HALVES_AFTER))
  return shotCosts(rounds, level, memo)
    .filter(({ told, lost }) => told >= LEAST_TOLD && lost > 0)
    .map(({ clubId, rungId, chances: own, lost, off, meanOffM }) => ({
      clubId,
      rungId,
      share: own / chances,
      lost,
      off,
      meanOffM,
      worth: (gain * lost * own) / rounds.length,
    }))
    .filter(({ worth }) => worth >= LEAST_WORTH)
    .sort((a, b) => b.worth - a.worth)
}
