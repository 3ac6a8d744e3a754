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

/** Every drill there is; a new one is a file here, a line here, and its words. */
export const DRILLS: readonly Drill[] = [
  randomTargets,
  stairs,
  circles,
  twoClubs,
  leapfrog,
  blockThenSwitch,
  fiveStraight,
  onCallTen,
  callBeforeYouLook,
  sameNumberOtherFlight,
  speedCalls,
  shapeOnDemand,
  touchLadder,
  downTheLine,
  lowRunner,
  benchmark,
]

/** @throws RangeError for a name that is no drill's */
export function drillById(id: string): Drill {
  const found = DRILLS.find(({ meta }) => meta.id === id)
  if (!found) throw new RangeError(`"${id}" is no drill: ${DRILLS.map(({ meta }) => meta.id).join(', ')}`)
  return found
}
