import { expose } from 'comlink'
import type { PublishedChart } from '#core/history/published'
import { todayOfAir, type AirEntry } from '#core/flight/session-air'
import type { Firmness } from '#core/flight/run-out'
import { newMemo } from '#core/memo'
import { flownShots, type FlownShot } from '#core/pick/flown'
import { layUp, leaveCosts, type LayUp, type LeaveCost, type OnTheWay } from '#core/pick/lay-up'
import type { Picked, PickQuestion } from '#core/pick/picked'
import { pickPlayerOf, type PickPlayer } from '#core/pick/pick-player'
import { pickAt, sweepTargets } from '#core/pick/sweep'
import type { DistanceUnit } from '#core/units'
import { nextTask } from '~/ui/next-task'

/** Picks for every distance, so that the page has its answer before it is asked. */

/** What the day is like; air is missing where none was entered: then it is neutral. */
export interface PickDay {
  air: Omit<AirEntry, 'fromMs'> | null
  slopeM: number
  firmness: Firmness
}

export interface PickOpened {
  /** False for a chart that was published without its spread. */
  spreadKnown: boolean
  /** Every distance that is worked out. */
  range: { from: number; to: number } | null
  /** Stock shots that have no flight in such air. */
  grounded: { club: string; swing: string }[]
  /** What each stock shot's way through the air is, for the side view. */
  paths: Pick<FlownShot, 'clubId' | 'rungId' | 'path' | 'todayM'>[]
}

let opened: { player: PickPlayer; shots: FlownShot[]; day: PickDay; unit: DistanceUnit } | undefined
let costs: { key: FlownShot[]; costs: LeaveCost[] } | undefined
let round = 0
const memo = newMemo()

function known() {
  if (!opened) throw new Error('no chart was opened')
  return opened
}

/** Shots so many looks ahead are told at once. */
const LOT = 6

const api = {
  open(chart: PublishedChart, day: PickDay, unit: DistanceUnit): PickOpened {
    const player = pickPlayerOf(chart)
    const today = day.air ? todayOfAir({ ...day.air, fromMs: 0 }) : null
    const { shots, grounded } = flownShots(player, { today, slopeM: day.slopeM, firmness: day.firmness })
    opened = { player, shots, day, unit }
    round++
    return {
      spreadKnown: player.spreadKnown,
      range: sweepTargets(shots, unit),
      grounded: grounded.map(({ club, swing }) => ({ club, swing })),
      paths: shots.map(({ clubId, rungId, path, todayM }) => ({ clubId, rungId, path, todayM })),
    }
  },

  at(question: Omit<PickQuestion, 'targetM'>, at: number): Picked {
    const { player, shots, unit } = known()
    return pickAt(player, shots, question, at, unit, memo)
  },

  /** Every distance of the range, those nearest to one of them first; told in lots. Ends when another is begun. */
  async sweep(
    question: Omit<PickQuestion, 'targetM'>,
    range: { from: number; to: number },
    near: number,
    tell: (answers: { at: number; picked: Picked }[]) => void,
  ): Promise<void> {
    const own = ++round
    const { player, shots, unit } = known()
    const targets = Array.from({ length: range.to - range.from + 1 }, (_, i) => range.from + i)
    targets.sort((a, b) => Math.abs(a - near) - Math.abs(b - near))
    for (let i = 0; i < targets.length; i += LOT) {
      const answers = []
      for (const at of targets.slice(i, i + LOT)) {
        answers.push({ at, picked: pickAt(player, shots, question, at, unit, memo) })
        await nextTask()
        if (round !== own) return
      }
      tell(answers)
    }
  },

  /** Good and bad yardages to leave, and the best one of a long hole. */
  layUp(ask: { toGoM: number; longestM: number; onTheWay: readonly OnTheWay[] } | null): {
    costs: LeaveCost[]
    layUp: LayUp | null
  } {
    const { player, shots } = known()
    if (costs?.key !== shots) costs = { key: shots, costs: leaveCosts(player, shots, memo) }
    return { costs: costs.costs, layUp: ask && layUp(player, costs.costs, ask, memo) }
  },
}

export type PickApi = typeof api
expose(api)
