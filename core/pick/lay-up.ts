import type { Memo } from '../memo'
import { exp } from '../stats/exact'
import { yardsToMetres } from '../units'
import type { FlownShot } from './flown'
import { pick } from './pick'
import type { PickPlayer } from './pick-player'
import { costsOf, strokesFrom } from './strokes'

/** A yardage to leave, and what it costs this player from there. Metres. */
export interface LeaveCost {
  atM: number
  /** Expected strokes from there, the next one counted, by the player's own numbers and spread. */
  strokes: number
  /** Beside what the player's own yardages make of it on the whole: below 0 is a good one. */
  beside: number
}

/** The strip: every yard from 30 to 130. */
export const STRIP_YD = { from: 30, to: 130 } as const
/** Neighbours that make the whole that a yardage is held against, yards either way. */
const SMOOTH = 20

/** The player's good and bad yardages, of own numbers and spread. */
export function leaveCosts(player: PickPlayer, shots: readonly FlownShot[], memo: Memo): LeaveCost[] {
  const at = Array.from({ length: STRIP_YD.to - STRIP_YD.from + 1 }, (_, i) => yardsToMetres(STRIP_YD.from + i))
  const strokes = at.map(targetM => {
    const { picks } = pick(
      player,
      shots,
      { targetM, around: { trouble: [] }, lie: 'fairway', over: [], under: [] },
      memo,
    )
    return Math.min(...picks.map(one => one.strokes))
  })
  return at.map((atM, i) => {
    // A straight line through the neighbours: further costs more for everybody, and is no fault of a yardage.
    const near = strokes.slice(Math.max(0, i - SMOOTH), i + SMOOTH + 1)
    const from = Math.max(0, i - SMOOTH)
    const n = near.length
    const meanX = from + (n - 1) / 2
    const meanY = near.reduce((sum, y) => sum + y, 0) / n
    let [sxy, sxx] = [0, 0]
    near.forEach((y, k) => {
      sxy += (from + k - meanX) * (y - meanY)
      sxx += (from + k - meanX) ** 2
    })
    return { atM, strokes: strokes[i]!, beside: strokes[i]! - (meanY + (sxy / sxx) * (i - meanX)) }
  })
}

/** What lies on the way, metres from where the ball lies now. */
export interface OnTheWay {
  fromM: number
  toM: number
  strokes: number
}

export interface LayUp {
  /** To leave, and how far to hit for it. */
  leaveM: number
  hitM: number
  /** Expected strokes by it, and by going as far as possible, this one counted. */
  strokes: number
  farthest: { leaveM: number; strokes: number }
  /** Every distance that could be left, from the least. */
  at: { leaveM: number; strokes: number }[]
}

/** A long shot that is laid up scatters along by this share of it, on the course. From memory. */
const LONG_SPREAD = 0.06
const STEP_M = yardsToMetres(1)
const POINTS = 21
const REACH = 2.5

/**
 * The best distance to leave on a hole that cannot be reached, by expected strokes from there: mean over where the
 * shot's length ends, trouble on the way counted.
 * @param toGoM to the flag
 * @param longestM the longest the player hits; the flag lies further
 * @returns null where there is nothing to lay up: the flag can be reached, or the player has no numbers
 */
export function layUp(
  player: PickPlayer,
  costs: readonly LeaveCost[],
  { toGoM, longestM, onTheWay }: { toGoM: number; longestM: number; onTheWay: readonly OnTheWay[] },
  memo: Memo,
): LayUp | null {
  if (costs.length === 0 || longestM >= toGoM) return null
  const table = costsOf(player.level, memo)
  const [first, last] = [costs[0]!, costs.at(-1)!]
  /** Own where it is known, else as the level has it, joined where they meet. */
  const from = (leaveM: number): number => {
    const at = Math.abs(leaveM)
    if (at < first.atM) return first.strokes - strokesFrom(first.atM, table) + strokesFrom(at, table)
    if (at > last.atM) return last.strokes - strokesFrom(last.atM, table) + strokesFrom(at, table)
    const x = (at - first.atM) / STEP_M
    const low = Math.min(costs.length - 2, Math.floor(x))
    return costs[low]!.strokes + (x - low) * (costs[low + 1]!.strokes - costs[low]!.strokes)
  }
  const expected = (hitM: number): number => {
    const sd = LONG_SPREAD * hitM
    let [sum, weights] = [0, 0]
    for (let k = 0; k < POINTS; k++) {
      const z = -REACH + (2 * REACH * k) / (POINTS - 1)
      const weight = exp((-z * z) / 2)
      const endsM = hitM + sd * z
      const penalty = onTheWay.reduce(
        (most, { fromM, toM, strokes }) => (endsM > fromM && endsM < toM ? Math.max(most, strokes) : most),
        0,
      )
      sum += weight * (from(toGoM - endsM) + penalty)
      weights += weight
    }
    return 1 + sum / weights
  }
  const least = toGoM - longestM
  const most = Math.max(least, Math.min(toGoM - STEP_M, last.atM))
  const at: LayUp['at'] = []
  for (let leaveM = least; leaveM <= most + 1e-9; leaveM += STEP_M)
    at.push({ leaveM, strokes: expected(toGoM - leaveM) })
  const best = at.reduce((a, b) => (b.strokes < a.strokes - 1e-9 ? b : a))
  return { leaveM: best.leaveM, hitM: toGoM - best.leaveM, strokes: best.strokes, farthest: at[0]!, at }
}
