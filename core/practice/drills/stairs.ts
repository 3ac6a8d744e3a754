import { evenly, specOf, wholeM, type Drill, type DrillMaker } from '../drill'
import type { DrillSpec } from '../drill-spec'

export const meta: Drill['meta'] = {
  id: 'stairs',
  needs: 2,
  balls: 24,
  minutes: 30,
  measure: 'leave',
  order: 'in turn',
  score: 'points',
}

const STEPS = 6

/** The player’s own numbers from short to long, four balls each. */
export function make(maker: DrillMaker): DrillSpec | null {
  if (maker.numbers.length < meta.needs) return null
  const tasks = evenly(maker.numbers, STEPS).map(({ carryM }) => ({ targetM: wholeM(carryM, maker.unit) }))
  return specOf({ meta }, maker, { tasks, ballsEach: 4 })
}

export default { meta, make } satisfies Drill
