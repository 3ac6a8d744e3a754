import { median } from '../stats/median'
import { yardsToMetres } from '../units'
import type { JudgedBall } from './judge'

/** What was left about a distance in practice. Metres. */
export interface LeaveAt {
  atM: number
  balls: number
  meanLeaveM: number
}

/** Distances within so much of each other are one band. */
const BAND_M = yardsToMetres(10)
/** Fewer balls tell nothing of a band. Our choice. */
const LEAST_BALLS = 3

/** Mean leave by bands of ten yards, shortest first; bands of fewer than three balls are left away. */
export function leavesAt(judged: readonly JudgedBall[]): LeaveAt[] {
  const bands = new Map<number, { targets: number[]; leaves: number[] }>()
  for (const { task, leaveM } of judged) {
    if (task.targetM === undefined || leaveM === null) continue
    const band = Math.floor(task.targetM / BAND_M)
    const known = bands.get(band) ?? { targets: [], leaves: [] }
    known.targets.push(task.targetM)
    known.leaves.push(leaveM)
    bands.set(band, known)
  }
  return [...bands]
    .filter(([, { leaves }]) => leaves.length >= LEAST_BALLS)
    .sort(([a], [b]) => a - b)
    .map(([, { targets, leaves }]) => ({
      atM: median(targets),
      balls: leaves.length,
      meanLeaveM: leaves.reduce((sum, leave) => sum + leave, 0) / leaves.length,
    }))
}
