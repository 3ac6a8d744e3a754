/** From the model to the flags after one ball, against the model's fit alone; and the search of What if. */
import { calibrate } from '../../core/calibration/calibrate'
import { USUAL_OPTIONS } from '../../core/calibration/calibration'
import { carryChart } from '../../core/chart/carry-chart'
import { fitGrid } from '../../core/chart/grid-fit'
import type { PlayerShotsAt } from '../../core/shot/player-shots'
import { gapFacts } from '../../core/gaps/facts'
import { findFlags } from '../../core/gaps/flags'
import type { ShotAt } from '../../core/shot/shot'
import { yardsToMetres } from '../../core/units'
import { layOut } from '../../core/what-if/layout'
import { ownTargets, sceneOf, type Judging } from '../../core/what-if/scene'
import { searchBags } from '../../core/what-if/search'
import { asItIs, USUAL_LIMITS } from '../../core/what-if/thought-of'
import { bagOf, DAY_MS } from '../core/players'
import { median, report } from './report'
import { makeDice } from './simulation/dice'

const BAG = bagOf({ '60°': 60, '57°': 57, '54°': 54, '51°': 51, '48°': 48, '45°': 45, '42°': 42 }, [
  '7:30',
  '8:00',
  '9:00',
  '10:00',
  '11:00',
  'full',
])
const dice = makeDice(7)
const shots = Array.from({ length: 60 }, (_, i): ShotAt<never> => {
  const [c, r] = [Math.floor(dice.uniform() * 7), Math.floor(dice.uniform() * 6)]
  const carryM = yardsToMetres((80 + 9 * c) * (0.45 + 0.11 * r) + 3 * dice.normal())
  return {
    id: String(i).padStart(3, '0'),
    sessionId: 's',
    clubId: BAG.clubs[c]!.id,
    rungId: BAG.scale.rungs[r]!.id,
    carryM,
    method: 'monitor',
    balls: 1,
    hitAtMs: DAY_MS + i,
    leftOut: null,
    strike: null,
  }
})
const player: PlayerShotsAt<never> = { bag: BAG, shots, sessions: [], level: 'good', nowMs: DAY_MS }

function timed(work: () => unknown, rounds = 60): number {
  for (let i = 0; i < 30; i++) work()
  return median(
    Array.from({ length: rounds }, () => {
      const start = performance.now()
      work()
      return performance.now() - start
    }),
  )
}

const fit = timed(() => fitGrid(player))
const whole = timed(() => {
  const grid = fitGrid(player)
  const chart = carryChart(BAG, shots, grid)
  return findFlags(gapFacts({ player, grid, chart, withinM: USUAL_OPTIONS.withinM, goodEnough: true }))
})
const answer = timed(() => calibrate(player))
const { chart, player: used } = calibrate(player)
const layout = layOut(used)
const judging: Judging = {
  flags: {},
  withinM: USUAL_OPTIONS.withinM,
  lineM: yardsToMetres(7),
  unit: 'yd',
  answers: [],
  plain: [],
  targetsM: ownTargets(chart, 'yd'),
}
const scene = timed(() => sceneOf(layout, asItIs(BAG), judging), 20)
const start = performance.now()
const { looked } = await searchBags(layout, { ...USUAL_LIMITS, wedges: 8 }, judging.targetsM, async () => false)
const search = performance.now() - start
const { tell, note, done } = report('gaps')
tell(
  'From the model to the flags, 7 clubs × 6 swing lengths, 60 balls',
  whole,
  "the model's fit alone",
  fit,
  'at most 3×',
)
tell(
  'All of the answer after one ball: that, what to hit next and how many more',
  answer,
  "the model's fit alone",
  fit,
  'none',
)
tell('One thought-of bag, to its flags', scene, "the model's fit alone", fit, 'none')
note(
  `Search of ${looked.toLocaleString('en-GB')} bags of 7 clubs, one core`,
  `${(search / 1000).toFixed(2)} s, ${((search / looked) * 10).toFixed(2)} s for 10,000`,
  'seconds',
)
done()
