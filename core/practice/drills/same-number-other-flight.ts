import { aboutOf, nearestNumber, specOf, wholeM, type Drill, type DrillMaker } from '../drill'
import type { DrillSpec } from '../drill-spec'
import { ASKED_FLIGHTS } from '../drill-spec'

export const meta: Drill['meta'] = {
  id: 'same-number-other-flight',
  needs: 1,
  balls: 10,
  minutes: 12,
  measure: 'leave',
  order: 'mixed',
  score: 'error',
}

/** One number low and high, mixed. */
export function make(maker: DrillMaker): DrillSpec | null {
  if (maker.numbers.length < meta.needs) return null
  const targetM = wholeM(nearestNumber(maker.numbers, aboutOf(maker)).carryM, maker.unit)
  return specOf({ meta }, maker, {
    tasks: ASKED_FLIGHTS.map(flight => ({ targetM, flight })),
    ballsEach: 5,
    toRest: true,
  })
}

export default { meta, make } satisfies Drill
