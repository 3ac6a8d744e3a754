import { specOf, type Drill, type DrillMaker } from '../drill'
import type { DrillSpec } from '../drill-spec'

export const meta: Drill['meta'] = {
  id: 'low-runner',
  needs: 0,
  balls: 10,
  minutes: 10,
  measure: 'launch',
  order: 'in turn',
  score: 'share',
  watches: 'launch',
}

/** A runner starts below this. Our choice. */
const LOW_DEG = 20

/** Ten balls that start low and run. */
export function make(maker: DrillMaker): DrillSpec | null {
  return specOf({ meta }, maker, {
    tasks: [{ flight: 'low' }],
    ballsEach: meta.balls,
    launchMostDeg: LOW_DEG,
    toRest: true,
  })
}

export default { meta, make } satisfies Drill
