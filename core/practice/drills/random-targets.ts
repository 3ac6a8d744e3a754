import { drawnTargets, specOf, type Drill, type DrillMaker } from '../drill'
import type { DrillSpec } from '../drill-spec'

export const meta: Drill['meta'] = {
  id: 'random-targets',
  needs: 2,
  balls: 12,
  minutes: 20,
  measure: 'leave',
  order: 'mixed',
  score: 'strokes',
}

/** Distances drawn over all the player’s numbers, one ball each. */
export function make(maker: DrillMaker): DrillSpec | null {
  if (maker.numbers.length < meta.needs) return null
  const tasks = drawnTargets(maker, meta.balls).map(targetM => ({ targetM }))
  return specOf({ meta }, maker, { tasks, ballsEach: 1 })
}

export default { meta, make } satisfies Drill
