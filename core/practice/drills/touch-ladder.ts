import { specOf, type Drill, type DrillMaker } from '../drill'
import type { DrillSpec } from '../drill-spec'
import { ASKED_FLIGHTS } from '../drill-spec'
import { fromUnit } from '../../units'

export const meta: Drill['meta'] = {
  id: 'touch-ladder',
  needs: 0,
  balls: 16,
  minutes: 15,
  measure: 'leave',
  order: 'in turn',
  score: 'error',
  touch: true,
}

/** Yards or metres; common practice. */
const STEPS = [10, 20, 30, 40]

/** 10, 20, 30 and 40, low and then high, twice: where it stops counts. */
export function make(maker: DrillMaker): DrillSpec | null {
  const once = ASKED_FLIGHTS.flatMap(flight => STEPS.map(at => ({ targetM: fromUnit(at, maker.unit), flight })))
  return specOf({ meta }, maker, { tasks: [...once, ...once], ballsEach: 1, toRest: true })
}

export default { meta, make } satisfies Drill
