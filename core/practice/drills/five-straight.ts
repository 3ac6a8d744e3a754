import { aboutOf, nearestNumber, specOf, wholeM, type Drill, type DrillMaker } from '../drill'
import type { DrillSpec } from '../drill-spec'

export const meta: Drill['meta'] = {
  id: 'five-straight',
  needs: 1,
  balls: 15,
  minutes: 15,
  measure: 'length',
  order: 'in turn',
  score: 'balls',
}

const MOST_BALLS = 30

/** Five good ones one after the other; after a miss the count starts again. */
export function make(maker: DrillMaker): DrillSpec | null {
  if (maker.numbers.length < meta.needs) return null
  const { carryM, clubId, rungId } = nearestNumber(maker.numbers, aboutOf(maker))
  const tasks = [{ targetM: wholeM(carryM, maker.unit), clubId, rungId }]
  return specOf({ meta }, maker, { tasks, ballsEach: MOST_BALLS, stop: { kind: 'running', good: 5 } })
}

export default { meta, make } satisfies Drill
