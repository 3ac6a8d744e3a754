import { specOf, type Drill, type DrillMaker } from '../drill'
import type { DrillSpec } from '../drill-spec'

export const meta: Drill['meta'] = {
  id: 'shape-on-demand',
  needs: 0,
  balls: 15,
  minutes: 15,
  measure: 'curve',
  order: 'in turn',
  score: 'share',
}

/** Five one way, five the other, five straight. */
export function make(maker: DrillMaker): DrillSpec | null {
  return specOf({ meta }, maker, {
    tasks: (['left', 'right', 'straight'] as const).map(curve => ({ curve })),
    ballsEach: 5,
  })
}

export default { meta, make } satisfies Drill
