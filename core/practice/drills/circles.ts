import { evenly, specOf, wholeM, type Drill, type DrillMaker } from '../drill'
import type { DrillSpec } from '../drill-spec'
import { newMemo } from '../../memo'
import { leaveOfLevel } from '../level-balls'
import { FAIR_SHARE } from '../rings'

export const meta: Drill['meta'] = {
  id: 'circles',
  needs: 3,
  balls: 10,
  minutes: 15,
  measure: 'leave',
  order: 'mixed',
  score: 'share',
}

/** Three flags mixed, ten balls: each circle holds two in five of the level’s balls. */
export function make(maker: DrillMaker): DrillSpec | null {
  if (maker.numbers.length < meta.needs) return null
  const tasks = evenly(maker.numbers, 3).map(({ carryM }) => {
    const targetM = wholeM(carryM, maker.unit)
    return { targetM, circleM: leaveOfLevel(maker.level, targetM, FAIR_SHARE, 'both', newMemo()) }
  })
  return specOf({ meta }, maker, { tasks, ballsEach: 4, balls: meta.balls })
}

export default { meta, make } satisfies Drill
