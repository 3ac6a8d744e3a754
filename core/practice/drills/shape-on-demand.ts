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

/** Five draws, five fades, five straight: the draw of a left-hander turns right. */
export function make(maker: DrillMaker): DrillSpec | null {
  const { hand = 'right', natural } = maker
  const ways = hand === 'right' ? (['left', 'right', 'straight'] as const) : (['right', 'left', 'straight'] as const)
  return specOf({ meta }, maker, {
    tasks: ways.map(curve => ({ curve })),
    ballsEach: 5,
    ...(hand === 'left' && { hand }),
    ...(natural && { natural }),
  })
}

export default { meta, make } satisfies Drill
