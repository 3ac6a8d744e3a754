import { evenly, specOf, wholeM, type Drill, type DrillMaker } from '../drill'
import type { DrillSpec } from '../drill-spec'

export const meta: Drill['meta'] = {
  id: 'on-call-ten',
  needs: 4,
  balls: 10,
  minutes: 15,
  measure: 'leave',
  order: 'mixed',
  score: 'strokes',
}

/** Ten stock shots, one ball each, none again: the shot is called first. */
export function make(maker: DrillMaker): DrillSpec | null {
  if (maker.numbers.length < meta.needs) return null
  const tasks = evenly(maker.numbers, meta.balls).map(({ carryM, clubId, rungId }) => ({
    targetM: wholeM(carryM, maker.unit),
    clubId,
    rungId,
  }))
  return specOf({ meta }, maker, { tasks, ballsEach: 1 })
}

export default { meta, make } satisfies Drill
