import { specOf, wholeM, type Drill, type DrillMaker } from '../drill'
import type { DrillSpec } from '../drill-spec'

export const meta: Drill['meta'] = {
  id: 'benchmark',
  needs: 3,
  balls: 18,
  minutes: 25,
  measure: 'leave',
  order: 'in turn',
  score: 'strokes',
}

/** No two neighbours follow each other. */
const ORDER = [3, 7, 1, 5, 0, 6, 2, 8, 4]

/** The same nine distances, in the same order, month after month. */
export function make(maker: DrillMaker): DrillSpec | null {
  if (maker.numbers.length < meta.needs) return null
  const [least, most] = [maker.numbers[0]!.carryM, maker.numbers.at(-1)!.carryM]
  const tasks = ORDER.map(place => ({
    targetM: wholeM(least + (place * (most - least)) / (ORDER.length - 1), maker.unit),
  }))
  return specOf({ meta }, { ...maker, seed: 0 }, { tasks, ballsEach: 2 })
}

export default { meta, make } satisfies Drill
