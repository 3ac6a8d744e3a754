import { LEAST_TO_NAME } from './asks'

/** A chance this far from a number still asks for it: half of a usual step between stock shots, metres. Our choice. */
const ASKS_WITHIN_M = 6
/** A stock shot that no round asks for is still worth this much beside the one that is asked for most. Our choice. */
const LEAST_NEED = 0.25

/**
 * Share of chances from a stretch, or from near it.
 * @param distances of chances, metres
 * @returns null from fewer than 15 chances: a day's luck
 * @example askedShare(Array.from({ length: 20 }, (_, i) => (i < 5 ? 70 : 120)), 65, 80) // => 0.25
 */
export function askedShare(distances: readonly number[], fromM: number, toM: number): number | null {
  if (distances.length < LEAST_TO_NAME) return null
  const inside = distances.filter(at => at >= fromM - ASKS_WITHIN_M && at <= toM + ASKS_WITHIN_M)
  return inside.length / distances.length
}

/**
 * What each number is worth beside the others by how often rounds ask for it: 1 for the one asked for most, a quarter
 * for one that nobody asked for. Chances count the more the nearer they lie.
 * @param distances of chances, metres
 * @param carriesM one for each number
 * @returns 1 for all from fewer than 15 chances
 * @example needOf(Array.from({ length: 20 }, () => 70), [70, 120]) // => [1, 0.25]
 */
export function needOf(distances: readonly number[], carriesM: readonly number[]): number[] {
  if (distances.length < LEAST_TO_NAME) return carriesM.map(() => 1)
  const reachM = 2 * ASKS_WITHIN_M
  const asked = carriesM.map(carryM =>
    distances.reduce((sum, at) => sum + Math.max(0, 1 - Math.abs(at - carryM) / reachM), 0),
  )
  const most = Math.max(...asked)
  return asked.map(own => (most === 0 ? 1 : LEAST_NEED + (1 - LEAST_NEED) * (own / most)))
}
