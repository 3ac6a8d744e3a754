import { describe, expect, it } from 'vitest'
import { beyondRangeBalls } from '../../core/calibration/beyond-balls'
import { calibrate } from '../../core/calibration/calibrate'
import { USUAL_OPTIONS } from '../../core/calibration/calibration'
import { withSameLoss } from '../../core/chart/same-loss'
import { lossHalfM, lossShare, RANGE_BALL } from '../../core/flight/ball-type'
import type { Session, Shot } from '../../core/shot/shot'
import { yardsToMetres } from '../../core/units'
import { makeDice, type Dice } from '../bench/simulation/dice'
import { bagOf } from './players'

const DAY_MS = 86_400_000

const FULL_YD = { '46°': 110, '50°': 100, '54°': 90, '58°': 79 } as const
const SHARES = { '7:30': 0.47, '9:00': 0.74, '10:00': 0.87, 'full': 1 } as const
const BAG = bagOf({ '46°': 46, '50°': 50, '54°': 54, '58°': 58 }, Object.keys(SHARES), 'clock')

interface Visit {
  ball: Session['ball']
  /** Stock shots that are hit in it; all where it is missing. */
  only?: (rungId: string) => boolean
}

/** A player with a loss of range balls of their own, and what each visit's balls make of it. */
function played(dice: Dice, visits: readonly Visit[], each: number) {
  const [scale, loss] = [Math.exp(0.08 * dice.normal()), RANGE_BALL.loss + RANGE_BALL.sd * dice.normal()]
  const cells = Object.entries(FULL_YD).flatMap(([clubId, yd]) =>
    Object.entries(SHARES).map(([rungId, share]) => ({
      clubId,
      rungId,
      trueM: yardsToMetres(yd * share) * scale * Math.exp(0.015 * dice.normal()),
    })),
  )
  const shots: Shot[] = []
  const sessions = visits.map(({ ball, only }, visit): Session => {
    const id = `visit ${visit}`
    const startedAtMs = 7 * DAY_MS * visit
    const day = Math.exp(0.012 * dice.normal())
    for (const { clubId, rungId, trueM } of cells.filter(cell => !only || only(cell.rungId)))
      for (let i = 0; i < each; i++) {
        const carryM = trueM * day * Math.exp(0.03 * dice.normal())
        shots.push({
          id: `${shots.length}`,
          sessionId: id,
          clubId,
          rungId,
          carryM: ball === 'range' ? carryM * Math.exp(-loss * lossShare(carryM)) : carryM,
          method: 'monitor',
          balls: 1,
          hitAtMs: startedAtMs + 1000 * shots.length,
          leftOut: null,
          strike: null,
        })
      }
    return { id, startedAtMs, method: 'monitor', ball }
  })
  const nowMs = sessions.at(-1)!.startedAtMs + DAY_MS / 2
  return { cells, of: calibrate({ bag: BAG, sessions, shots, level: 'good', nowMs }, USUAL_OPTIONS) }
}

const range = (visits: number): Visit[] => Array.from({ length: visits }, () => ({ ball: 'range' }))

/** In how many of a hundred cells the 8 in 10 holds, over so many players. */
function held(visits: readonly Visit[], players: number): number {
  let [all, within] = [0, 0]
  const dice = makeDice(4711)
  for (let player = 0; player < players; player++) {
    const { cells, of } = played(dice, visits, 3)
    for (const { clubId, rungId, trueM } of cells) {
      const [least, most] = of.chart.find(one => one.clubId === clubId && one.rungId === rungId)!.certainty80M!
      all++
      if (trueM >= least && trueM <= most) within++
    }
  }
  return (100 * within) / all
}

describe('what range balls lose is the same in all of them', () => {
  it('so the numbers are no surer for ten visits than they are, also where one visit had the ball one plays', () => {
    for (const visits of [1, 5, 10]) {
      const share = held(range(visits), 40)
      expect(share).toBeGreaterThanOrEqual(72)
      expect(share).toBeLessThanOrEqual(94)
    }
    const fulls: Visit = { ball: 'own', only: rungId => rungId === 'full' }
    const below = range(4).map(visit => ({ ...visit, only: (rungId: string) => rungId !== 'full' }))
    expect(held([fulls, ...below], 40)).toBeGreaterThanOrEqual(74)
  })

  it('a record with one visit of range balls, or none, is as it was', () => {
    for (const visits of [range(1), [{ ball: 'own' } as const]]) {
      const { grid } = played(makeDice(5), visits, 2).of
      expect(grid.apart).toBeUndefined()
    }
    const { fit, apart } = played(makeDice(5), range(3), 2).of.grid
    for (let i = 0; i < fit.mean.length; i++) {
      const at = i * fit.mean.length + i
      expect(fit.covariance[at]!).toBeGreaterThan(apart![at]!)
    }
    expect(withSameLoss(fit, [])).toBe(fit.covariance)
  })

  it('nobody is told that a few more range balls make it sure', () => {
    // Five balls or thirty with each: what is not known of the ball is the same, and no ball tells it but one's own.
    const readies = [5, 30].flatMap(each =>
      [1, 2, 3, 4, 5].map(seed => played(makeDice(seed), range(1), each).of.ready),
    )
    const open = readies.filter(ready => !ready.goodEnough)
    expect(open.length).toBeGreaterThan(6)
    const never = open.filter(({ ballsToGo }) => ballsToGo === null)
    expect(never.length).toBeGreaterThan(3)
    for (const { ownBallsToGo } of never) {
      expect(ownBallsToGo).toBeGreaterThan(0)
      expect(ownBallsToGo).toBeLessThan(20)
    }
    // Where what is not known of the ball is more than is wanted, no number of range balls proves a stretch.
    let unprovable = 0
    for (let seed = 1; seed <= 5; seed++) {
      const { unproven, rangeBalls, chart } = played(makeDice(seed), range(1), 5).of
      for (const { clubId, rungId, balls } of unproven) {
        const { carryM } = chart.find(one => one.clubId === clubId && one.rungId === rungId)!
        if (lossHalfM(carryM!, rangeBalls!) <= 1.15 * USUAL_OPTIONS.withinM) continue
        unprovable++
        expect(balls).toBeNull()
      }
    }
    expect(unprovable).toBeGreaterThan(0)
    expect(played(makeDice(3), [{ ball: 'own' }], 5).of.ready).not.toHaveProperty('ownBallsToGo')
  })

  it('parts the belief in two that make the whole, and never leaves more than there is', () => {
    const { fit } = played(makeDice(7), range(2), 2).of.grid
    const n = fit.mean.length
    for (const lossSd of [0, 0.01, 0.03, 0.2]) {
      const { covariance, left } = beyondRangeBalls(fit, lossSd, 0.01)
      for (let i = 0; i < n; i++) {
        const at = i * n + i
        expect(covariance[at]! + left[i]!).toBeCloseTo(fit.covariance[at]!, 12)
        expect(covariance[at]!).toBeGreaterThanOrEqual(-1e-12)
      }
    }
  })
})
