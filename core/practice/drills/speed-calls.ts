import { evenly, specOf, type Drill, type DrillMaker } from '../drill'
import type { DrillSpec } from '../drill-spec'
import { mphToMps } from '../../units'

export const meta: Drill['meta'] = {
  id: 'speed-calls',
  needs: 0,
  balls: 9,
  minutes: 10,
  measure: 'speed',
  order: 'mixed',
  score: 'error',
  watches: 'speed',
}

/** Of a wedge. Our choice. */
const USUAL_MPH = [65, 69, 72]

/** Three club speeds called, mixed: how near the swing comes to each. */
export function make(maker: DrillMaker): DrillSpec | null {
  const speeds = maker.speedsMs.length > 0 ? evenly(maker.speedsMs, 3) : USUAL_MPH.map(mphToMps)
  return specOf({ meta }, maker, { tasks: speeds.map(speedMs => ({ speedMs })), ballsEach: 3 })
}

export default { meta, make } satisfies Drill
