import type { Level } from '../level'
import type { Memo } from '../memo'
import { ownRest } from '../practice/level-balls'
import { median } from '../stats/median'
import { normalCdf } from '../stats/normal'
import { Z_80 } from '../stats/quantiles'
import { binomialTails } from '../stats/binomial'
import type { Approach, Played } from './approach'
import { restOf, strokesLost } from './cost'
import { isFound, LEAST_BALLS, sureMean, type Mean } from './sure-mean'

/** A stock shot as the chart has it. Metres. */
export interface RangeShot {
  carryM: number
  /** Where the next clean ball lands 8 times in 10. */
  window80M: readonly [number, number]
  /** How one clean ball scatters on the range, along the line and beside it. */
  longSdM: number
  sideSdM: number
}
export type ShotOf = (approach: Approach) => RangeShot | null

/** How many ordinary balls ended in the chart's window about their target. */
export interface WindowsHeld {
  held: number
  balls: number
  /** As many would, if balls lie so many times as wide as on the range. */
  usual: number
  /** Fewer, or more, than that is no luck. */
  way: 'fewer' | 'more' | null
}

const MAD_TO_SD = 1.4826
/** Beyond so many robust deviations off the middle a ball was no ordinary strike: the window is of clean balls. */
const STRANGE = 3

/**
 * Whether the chart's 8-in-10 windows hold on the course. A window is taken about the target: who hits a little more
 * or less than the stock carry has changed the middle, not the scatter.
 * @param shotOf the stock shot that an approach was hit with; null where nobody knows
 * @param times so many times as wide balls are taken to lie as on the range
 * @returns null from fewer than 12 balls
 */
export function windowsHeld(rounds: readonly Played[], shotOf: ShotOf, times: number): WindowsHeld | null {
  const share = 2 * normalCdf(Z_80 / times) - 1
  let found: WindowsHeld | null = null
  /** Where balls ended, in windows: −1 and 1 are its ends. */
  const ends: number[] = []
  rounds.forEach(({ approaches }, i) => {
    for (const approach of approaches) {
      const shot = approach.chance && approach.offM !== undefined ? shotOf(approach) : null
      if (!shot) continue
      const [least, most] = shot.window80M
      ends.push(approach.offM! / (approach.offM! < 0 ? shot.carryM - least : most - shot.carryM))
    }
    const middle = median(ends)
    const spread = MAD_TO_SD * median(ends.map(end => Math.abs(end - middle)))
    const ordinary = ends.filter(end => Math.abs(end - middle) <= STRANGE * spread)
    const balls = ordinary.length
    if (balls < LEAST_BALLS) return
    const held = ordinary.filter(end => Math.abs(end) <= 1).length
    const { below, above } = binomialTails(held, balls, share)
    const way = isFound(below, i) ? 'fewer' : isFound(above, i) ? 'more' : null
    found = { held, balls, usual: Math.round(share * balls), way }
  })
  return found
}

/** Strokes a ball lost: to the level's ball on the course, and to the player's own spread on the range. */
export interface StrokesAgainst {
  level: Mean
  range: Mean | null
}

/**
 * What approaches cost against the level and against what the player's own range spread would cost from there.
 * @returns null from fewer than 12 balls whose end is known
 */
export function strokesAgainst(
  rounds: readonly Played[],
  shotOf: ShotOf,
  level: Level,
  memo: Memo,
): StrokesAgainst | null {
  const toLevel: number[][] = []
  const toRange: number[][] = []
  for (const { approaches } of rounds) {
    const told = approaches.filter(({ chance, offM }) => chance && offM !== undefined)
    toLevel.push(told.map(approach => strokesLost(approach, level, memo)!))
    toRange.push(
      told.flatMap(approach => {
        const shot = shotOf(approach)
        if (!shot) return []
        const sideSdM = approach.sideM === undefined ? 0 : shot.sideSdM
        const own = ownRest(level, approach.distanceM, { longSdM: shot.longSdM, sideSdM }, memo)
        return [restOf(approach, level, memo)! - own]
      }),
    )
  }
  const found = sureMean(toLevel)
  return found && { level: found, range: sureMean(toRange) }
}
