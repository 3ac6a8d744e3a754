import { cellKey, type StockShot } from '../bag/bag'
import { groupBy } from '../group-by'
import { median } from '../stats/median'
import { yardsToMetres } from '../units'
import type { PracticeLeave } from './practice-scatter'

/** What one stock shot left at a target in practice, metres. */
export interface ServedShot extends StockShot {
  leaveM: number
  balls: number
}

/** A target that several stock shots were hit to in practice: what each left, the least first. */
export interface ServedTarget {
  atM: number
  shots: ServedShot[]
}

/** Targets so near each other are one. Our choice: a yard or two is not chosen by. */
const BAND_M = yardsToMetres(5)
/** Fewer balls of a stock shot say nothing. Our choice. */
const LEAST_BALLS = 4

/** In order of their targets, those together that lie within a band of the shortest of them. */
function byTarget(leaves: readonly PracticeLeave[]): PracticeLeave[][] {
  const groups: PracticeLeave[][] = []
  for (const leave of [...leaves].sort((a, b) => a.targetM - b.targetM)) {
    const last = groups.at(-1)
    if (last && leave.targetM - last[0]!.targetM < BAND_M) last.push(leave)
    else groups.push([leave])
  }
  return groups
}

const leaveOf = ({ offM, sideM }: PracticeLeave) => Math.sqrt(offM ** 2 + (sideM ?? 0) ** 2)

/**
 * Targets that at least two stock shots were hit to, four balls each or more, shortest first: which one served it best
 * is read off them. Counted, not judged: no odds are given.
 * @example servedBest([]) // => []
 */
export function servedBest(leaves: readonly PracticeLeave[]): ServedTarget[] {
  return byTarget(leaves).flatMap(all => {
    const shots = [...groupBy(all, cellKey).values()]
      .filter(own => own.length >= LEAST_BALLS)
      .map((own): ServedShot => {
        const { clubId, rungId } = own[0]!
        const leaveM = own.reduce((sum, one) => sum + leaveOf(one), 0) / own.length
        return { clubId, rungId, leaveM, balls: own.length }
      })
      .sort((a, b) => a.leaveM - b.leaveM)
    return shots.length < 2 ? [] : [{ atM: median(all.map(({ targetM }) => targetM)), shots }]
  })
}

/** The one of these that a distance belongs to; undefined where none is near. */
export function servedAt(served: readonly ServedTarget[], targetM: number): ServedTarget | undefined {
  return served.find(({ atM }) => Math.abs(atM - targetM) <= BAND_M / 2)
}
