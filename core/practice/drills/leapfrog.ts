import { evenly, specOf, wholeM, type Drill, type DrillMaker } from '../drill'
import type { DrillSpec } from '../drill-spec'

export const meta: Drill['meta'] = {
  id: 'leapfrog',
  needs: 4,
  balls: 18,
  minutes: 25,
  measure: 'leave',
  order: 'in turn',
  score: 'strokes',
}

const STEPS = 4

/** Two stock shots to one target; then the longer one moves on to the next, with the next longer. */
export function make(maker: DrillMaker): DrillSpec | null {
  const steps = evenly(maker.numbers, STEPS)
  if (steps.length < meta.needs) return null
  const tasks = steps.slice(1).flatMap((longer, i) => {
    const shorter = steps[i]!
    const targetM = wholeM((shorter.carryM + longer.carryM) / 2, maker.unit)
    return [shorter, longer].map(({ clubId, rungId }) => ({ targetM, clubId, rungId }))
  })
  return specOf({ meta }, maker, { tasks, ballsEach: 3 })
}

export default { meta, make } satisfies Drill
