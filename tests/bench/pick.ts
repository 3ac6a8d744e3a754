/** One pick with trouble on four sides, beside one cover; and the look-up that the page does after the last digit. */
import { calibrate } from '../../core/calibration/calibrate'
import { publish } from '../../core/history/published'
import { newMemo } from '../../core/memo'
import { flownShots } from '../../core/pick/flown'
import { pick } from '../../core/pick/pick'
import { pickPlayerOf } from '../../core/pick/pick-player'
import type { ShotAt } from '../../core/shot/shot'
import { yardsToMetres } from '../../core/units'
import { chartCover } from '../../core/gaps/cover'
import { sidesOfGrid } from '../../core/chart/sides'
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
const dice = makeDice(11)
const shots = Array.from({ length: 80 }, (_, i): ShotAt<never> => {
  const [c, r] = [Math.floor(dice.uniform() * 7), Math.floor(dice.uniform() * 6)]
  return {
    id: String(i).padStart(3, '0'),
    sessionId: 's',
    clubId: BAG.clubs[c]!.id,
    rungId: BAG.scale.rungs[r]!.id,
    carryM: yardsToMetres((80 + 9 * c) * (0.45 + 0.11 * r) + 3 * dice.normal()),
    method: 'monitor',
    balls: 1,
    hitAtMs: DAY_MS + i,
    leftOut: null,
    strike: null,
  }
})
const calibrated = calibrate({ bag: BAG, shots, sessions: [], level: 'good', nowMs: DAY_MS })
const chart = publish(calibrated, new Map(), { number: 1, publishedAtMs: DAY_MS, unit: 'yd', note: '', changed: '' })
const player = pickPlayerOf(chart)
const memo = newMemo()
const day = { today: null, slopeM: 0, firmness: 'medium' } as const
const flown = flownShots(player, day).shots
const trouble = (['short', 'long', 'left', 'right'] as const).map(side => ({
  side,
  fromM: yardsToMetres(9),
  strokes: 1,
}))
const asked = (yd: number, hard: boolean) => ({
  targetM: yardsToMetres(yd),
  around: { trouble: hard ? trouble : [] },
  lie: 'fairway' as const,
  over: [],
  under: [],
})

function timed(work: (i: number) => unknown, rounds = 40): number {
  for (let i = 0; i < 10; i++) work(i)
  return median(
    Array.from({ length: rounds }, (_, i) => {
      const start = performance.now()
      work(i)
      return performance.now() - start
    }),
  )
}

const sides = sidesOfGrid(calibrated.player.shots, calibrated.grid)
const cover = timed(() => chartCover(calibrated.chart, calibrated.grid, sides))
const { tell, note, done } = report('pick')
tell(
  'A pick, 42 stock shots and gripped down, trouble on four sides, best aim',
  timed(i => pick(player, flown, asked(60 + (i % 60), true), memo)),
  'one cover of the same chart',
  cover,
  'none',
)
tell(
  'The same with nothing about the flag',
  timed(i => pick(player, flown, asked(60 + (i % 60), false), memo)),
  'one cover of the same chart',
  cover,
  'none',
)
note(
  '42 stock shots flown in a day’s air',
  `${timed(() => flownShots(player, day), 10).toFixed(0)} ms`,
  'in the worker, once a change of air',
)
done()
