import { aboutOf, specOf, wholeM, type Drill, type DrillMaker } from '../drill'
import type { DrillSpec } from '../drill-spec'

export const meta: Drill['meta'] = {
  id: 'block-then-switch',
  needs: 3,
  balls: 24,
  minutes: 30,
  measure: 'length',
  order: 'good first, then mixed',
  score: 'share',
}

/** Three good ones at each of three numbers, then all of them mixed. */
export function make(maker: DrillMaker): DrillSpec | null {
  if (maker.numbers.length < meta.needs) return null
  const nearest = [...maker.numbers]
    .sort((a, b) => Math.abs(a.carryM - aboutOf(maker)) - Math.abs(b.carryM - aboutOf(maker)))
    .slice(0, 3)
    .sort((a, b) => a.carryM - b.carryM)
  const tasks = nearest.map(({ carryM, clubId, rungId }) => ({ targetM: wholeM(carryM, maker.unit), clubId, rungId }))
  return specOf({ meta }, maker, { tasks, ballsEach: 3, goodEach: 3 })
}

export default { meta, make } satisfies Drill
