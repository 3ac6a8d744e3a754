import type { Drill } from '../drill'
import randomTargets from './random-targets'
import stairs from './stairs'
import circles from './circles'
import twoClubs from './two-clubs'
import leapfrog from './leapfrog'
import blockThenSwitch from './block-then-switch'
import fiveStraight from './five-straight'
import onCallTen from './on-call-ten'
import callBeforeYouLook from './call-before-you-look'
import sameNumberOtherFlight from './same-number-other-flight'
import speedCalls from './speed-calls'
import shapeOnDemand from './shape-on-demand'
import touchLadder from './touch-ladder'
import downTheLine from './down-the-line'
import lowRunner from './low-runner'
import benchmark from './benchmark'

/** A new drill is a file here, a line here, and its words: without those it does not compile. */
const BY_ID = {
  'random-targets': randomTargets,
  'stairs': stairs,
  'circles': circles,
  'two-clubs': twoClubs,
  'leapfrog': leapfrog,
  'block-then-switch': blockThenSwitch,
  'five-straight': fiveStraight,
  'on-call-ten': onCallTen,
  'call-before-you-look': callBeforeYouLook,
  'same-number-other-flight': sameNumberOtherFlight,
  'speed-calls': speedCalls,
  'shape-on-demand': shapeOnDemand,
  'touch-ladder': touchLadder,
  'down-the-line': downTheLine,
  'low-runner': lowRunner,
  'benchmark': benchmark,
} satisfies Record<string, Drill>

export type DrillId = keyof typeof BY_ID

/** Every drill there is. */
export const DRILLS: readonly Drill[] = Object.entries(BY_ID).map(([id, drill]) => {
  if (drill.meta.id !== id) throw new TypeError(`The drill "${drill.meta.id}" stands under "${id}".`)
  return drill
})

/** @throws RangeError for a name that is no drill's */
export function drillById(id: string): Drill {
  const found = DRILLS.find(({ meta }) => meta.id === id)
  if (!found) throw new RangeError(`"${id}" is no drill: ${DRILLS.map(({ meta }) => meta.id).join(', ')}`)
  return found
}
