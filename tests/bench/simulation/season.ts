import { MISHIT_SD, MISHIT_SHORT } from '../../../core/gaps/leave'
import type { Level } from '../../../core/level'
import { SIDE_OF_LEVEL, SPREAD_OF_LEVEL } from '../../../core/model/constants'
import { usualScatterM } from '../../../core/model/usual-scatter'
import { COURSE_SCATTER } from '../../../core/pick/strokes'
import type { Approach, Played } from '../../../core/rounds/approach'
import { yardsToMetres as yd } from '../../../core/units'
import type { Dice } from './dice'

export const LEVEL_PLAYED: Level = 'good'
export const CARRIES_M = [45, 55, 63, 74, 83, 92, 107, 124, 137].map(yd)
/** Stock shots of a season's player, by their place among the carries. */
export const shotOfSeason = (i: number) => ({ clubId: `c${i}`, rungId: 'r' })

/** What is wrong with one stock shot of a season's player. */
export interface Planted {
  shot: number
  looser?: number
  offM?: number
}

/** So many chances a round, one in five of them for the planted stock shot. */
const CHANCES = 12
const PLANTED_SHARE = 0.2
const MISHITS = 0.07
/** Chances lie so far about a number. */
const ABOUT_M = yd(4)

/** A season of a player of the level with the usual course scatter. */
export function season(dice: Dice, rounds: number, planted: Planted | null, shiftM = 0): Played[] {
  const others = CARRIES_M.map((_, i) => i).filter(i => i !== planted?.shot)
  return Array.from({ length: rounds }, () => ({
    approaches: Array.from({ length: CHANCES }, (): Approach => {
      const asks = planted && dice.uniform() < PLANTED_SHARE
      const i = asks ? planted.shot : others[Math.floor(dice.uniform() * others.length)]!
      const targetM = CARRIES_M[i]! + ABOUT_M * (2 * dice.uniform() - 1)
      const mine = planted?.shot === i ? planted : null
      const times = COURSE_SCATTER * (mine?.looser ?? 1)
      const mishit = dice.uniform() < MISHITS
      const length = usualScatterM(SPREAD_OF_LEVEL[LEVEL_PLAYED], targetM) * times * dice.normal()
      const poor = mishit ? targetM * (MISHIT_SD * dice.normal() - MISHIT_SHORT) : 0
      return {
        ...shotOfSeason(i),
        chance: true,
        distanceM: targetM,
        offM: length + (mine?.offM ?? 0) + shiftM + poor,
        sideM: SIDE_OF_LEVEL[LEVEL_PLAYED] * targetM * times * dice.normal(),
      }
    }),
  }))
}
