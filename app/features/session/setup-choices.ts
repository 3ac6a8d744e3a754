import type { Firmness } from '#core/flight/run-out'
import type { CarryAir } from '#core/shot/carry-air'
import { CARRY_AIRS } from '#core/shot/carry-air'
import { measuresToRest } from '#core/shot/measuring'
import { FIRMNESSES } from '#shared/choices'
import type { SessionPlan, SessionRecord } from '#shared/schemas/session'
import { carryAirTexts } from '#words/air'

export interface Choice {
  legend: string
  value: string | boolean
  options: { value: string | boolean; label: string }[]
  choose: (value: never) => void
}

type Setup = Pick<SessionRecord, 'method' | 'ball' | 'surface'>
type Plan = Pick<SessionPlan, 'indoors' | 'carryAir' | 'measuredTo' | 'firmness'>

/** One choice that sets a field of what it is about. */
function choiceOf<T extends object, K extends keyof T>(
  about: T,
  field: K,
  legend: string,
  options: readonly (readonly [T[K] & (string | boolean), label: string])[],
): Choice {
  return {
    legend,
    value: about[field] as string | boolean,
    options: options.map(([value, label]) => ({ value, label })),
    choose: value => {
      about[field] = value
    },
  }
}

/** What is chosen before a session: as much as matters for how its carries are measured. */
export const setupChoices = (setup: Setup, plan: Plan) =>
  computed<Choice[]>(() => [
    choiceOf(setup, 'ball', 'Ball', [
      ['own', 'Own ball'],
      ['range', 'Range ball'],
    ]),
    choiceOf(setup, 'surface', 'Surface', [
      ['grass', 'Grass'],
      ['mat', 'Mat'],
    ]),
    choiceOf(plan, 'indoors', 'Place', [
      [false, 'Outdoors'],
      [true, 'Indoors'],
    ]),
    ...(setup.method === 'monitor' && !plan.indoors
      ? [
          choiceOf(
            plan,
            'carryAir',
            'Its carries are',
            CARRY_AIRS.map((value: CarryAir) => [value, carryAirTexts[value]]),
          ),
        ]
      : []),
    ...(measuresToRest(setup.method)
      ? [
          choiceOf(plan, 'measuredTo', 'Measured to', [
            ['rest', 'where it lies'],
            ['pitch', 'pitch mark'],
          ]),
        ]
      : []),
    ...(measuresToRest(setup.method) && plan.measuredTo === 'rest'
      ? [
          choiceOf(
            plan,
            'firmness',
            'Ground, for the run',
            FIRMNESSES.map((value: Firmness) => [value, value]),
          ),
        ]
      : []),
  ])
