import { nearPair, specOf, wholeM, type Drill, type DrillMaker } from '../drill'
import type { DrillSpec } from '../drill-spec'

export const meta: Drill['meta'] = {
  id: 'two-clubs',
  needs: 2,
  balls: 8,
  minutes: 12,
  measure: 'leave',
  order: 'mixed',
  score: 'strokes',
}

/** Two stock shots to one target, mixed: whose bad ball ends nearer? */
export function make(maker: DrillMaker): DrillSpec | null {
  const pair = maker.numbers.length < meta.needs ? null : nearPair(maker)
  if (!pair) return null
  const targetM = wholeM((pair[0].carryM + pair[1].carryM) / 2, maker.unit)
  const tasks = pair.map(({ clubId, rungId }) => ({ targetM, clubId, rungId }))
  return specOf({ meta }, maker, { tasks, ballsEach: 4 })
}

export default { meta, make } satisfies Drill
