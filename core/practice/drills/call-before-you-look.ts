import { evenly, specOf, wholeM, type Drill, type DrillMaker } from '../drill'
import type { DrillSpec } from '../drill-spec'

export const meta: Drill['meta'] = {
  id: 'call-before-you-look',
  needs: 2,
  balls: 12,
  minutes: 15,
  measure: 'call',
  order: 'mixed',
  score: 'share',
}

/** Short, good or long: said as it leaves. */
export function make(maker: DrillMaker): DrillSpec | null {
  if (maker.numbers.length < meta.needs) return null
  const tasks = evenly(maker.numbers, 4).map(({ carryM }) => ({ targetM: wholeM(carryM, maker.unit) }))
  return specOf({ meta }, maker, { tasks, ballsEach: 3 })
}

export default { meta, make } satisfies Drill
