import { LEVELS, type Level } from '../level'
import type { Memo } from '../memo'
import type { DrillSpec } from './drill-spec'
import { levelBalls } from './level-balls'
import { judge } from './judge'

const STRIKES = 256

/** What a level usually scores: the mean of a ball over all tasks, from its scatter on the range. */
function meanOfLevel(spec: DrillSpec, level: Level, memo: Memo): number {
  let sum = 0
  for (const [place, task] of spec.tasks.entries()) {
    for (const { offM, sideM, share } of levelBalls(level, task.targetM!, STRIKES, memo)) {
      const seen = spec.measure === 'length' ? {} : { sideM }
      const one = judge(spec, { id: '', task: place, atMs: 0, endM: task.targetM! + offM, ...seen }, memo)
      const value = { strokes: one.gained!, points: one.points, share: one.good ? 1 : 0, error: one.leaveM! }
      sum += share * (spec.score === 'balls' ? value.share : value[spec.score])
    }
  }
  return sum / spec.tasks.length
}

/**
 * What each level usually scores with it, the player's own ring and par kept: strokes a ball, points a ball (no target
 * lost to a wild one), share of good ones, or mean error in metres. Null for what is told by eye, speed, curve or call.
 * @returns from the best level to the beginner; whoever's level nobody knows is not among them
 */
export function levelScores(spec: DrillSpec, memo: Memo): { level: Level; value: number }[] | null {
  const isEnded = spec.measure === 'leave' || spec.measure === 'length'
  if (!isEnded || spec.tasks.length === 0 || spec.tasks.some(({ targetM }) => targetM === undefined)) return null
  return LEVELS.filter(level => level !== 'unknown')
    .reverse()
    .map(level => ({ level, value: meanOfLevel(spec, level, memo) }))
}
