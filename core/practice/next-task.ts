import type { DrillSpec } from './drill-spec'
import { mixedPlaces } from './draw'
import type { JudgedBall } from './judge'

/** Balls at one task are no more than this, however few are good. Our choice. */
export const MOST_AT_ONE = 12

/** Good ones one after the other, counted from the last ball. */
export function running(judged: readonly Pick<JudgedBall, 'good'>[]): number {
  let count = 0
  while (count < judged.length && judged[judged.length - 1 - count]!.good) count++
  return count
}

/** Balls of a whole go, at most. */
export function ballsOf({ tasks, ballsEach, order, stop, balls }: DrillSpec): number {
  if (balls !== undefined) return balls
  if (stop.kind === 'running') return tasks.length * ballsEach
  return order === 'good first, then mixed' ? tasks.length * (MOST_AT_ONE + ballsEach) : tasks.length * ballsEach
}

/** Places of tasks that were gone through in order until each had its good ones; the rest is mixed. */
function afterGoodOnes({ tasks, goodEach = 3, seed, ballsEach }: DrillSpec, judged: readonly JudgedBall[]) {
  let used = 0
  for (let place = 0; place < tasks.length; place++) {
    let good = 0
    let hit = 0
    while (good < goodEach && hit < MOST_AT_ONE) {
      const one = judged[used]
      if (!one) return place
      used++
      hit++
      if (one.good) good++
    }
  }
  return mixedPlaces(seed, tasks.length, ballsEach, tasks.length - 1)[judged.length - used] ?? null
}

/**
 * What is asked next: the place of a task, or null when the go is over.
 * @param judged all balls that count, in the order they were hit
 */
export function nextTask(spec: DrillSpec, judged: readonly JudgedBall[]): number | null {
  const { tasks, ballsEach, order, stop, seed } = spec
  if (tasks.length === 0) return null
  if (spec.balls !== undefined && judged.length >= spec.balls) return null
  if (stop.kind === 'running' && running(judged) >= stop.good) return null
  if (order === 'good first, then mixed') return afterGoodOnes(spec, judged)
  const hit = judged.length
  if (hit >= ballsOf(spec)) return null
  return order === 'in turn' ? Math.floor(hit / ballsEach) : (mixedPlaces(seed, tasks.length, ballsEach)[hit] ?? null)
}
