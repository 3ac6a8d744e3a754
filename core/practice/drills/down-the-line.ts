import { evenly, specOf, type Drill, type DrillMaker } from '../drill'
import type { DrillSpec } from '../drill-spec'

export const meta: Drill['meta'] = {
  id: 'down-the-line',
  needs: 0,
  balls: 14,
  minutes: 15,
  measure: 'side',
  order: 'in turn',
  score: 'error',
  watches: 'side',
}

/** Half of a fair strip. Our choice. */
const LINE_M = 10

/** Every club from the longest to the shortest, down one line. */
export function make(maker: DrillMaker): DrillSpec | null {
  if (maker.clubIds.length === 0) return null
  const tasks = evenly(maker.clubIds, 7).map(clubId => ({ clubId }))
  return specOf({ meta }, maker, { tasks, ballsEach: 2, withinM: LINE_M })
}

export default { meta, make } satisfies Drill
