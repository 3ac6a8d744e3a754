/** What a marked change brings, and what a retest of a few balls finds. */
import { MOVED_EVIDENCE, MOVED_LEAST_BALLS } from '../../../core/model/constants'
import { cellEstimate } from '../../../core/model/estimate'
import { fitModel, USUAL_SPREAD, type ModelSession } from '../../../core/model/fit'
import { retestBalls } from '../../../core/model/next-shot'
import { evidenceOfMove } from '../../../core/model/statements'
import { yardsToMetres as yd } from '../../../core/units'
import { addError, addHit, chooseHit, visit, type Tally } from './errors'
import { drawDay, drawPlayer, hitM, type SimulatedPlayer } from './player'

/** Three visits a fortnight apart, and what comes after them a fortnight later. */
const VISITS = [0, 14, 28]
const AFTER = 42
const BALLS_A_VISIT = 4
const MEAS_SD_M = 0.9144
const WITHIN_M = yd(4)

const earlier = (player: SimulatedPlayer): ModelSession[] => {
  const hit = chooseHit(player)
  return VISITS.map(day => ({ day, shots: visit(player, hit, BALLS_A_VISIT) }))
}
const ruleFor = (player: SimulatedPlayer) => ({ measSdM: MEAS_SD_M, balls: 1, need: player.cells.map(() => 1) })

/** The balls that a retest asks for, hit on its day. */
function retestOf(player: SimulatedPlayer, plan: readonly { cell: number; balls: number }[]): ModelSession {
  const day = drawDay(player.dice)
  const ball = (cell: number) => ({ cell, carryM: hitM(player, cell, day), measSdM: MEAS_SD_M, balls: 1 })
  return { day: AFTER, shots: plan.flatMap(({ cell, balls }) => Array.from({ length: balls }, () => ball(cell))) }
}

/** A swing that changes after the third visit: errors of all numbers after a retest, with the mark and without. */
export function swingChange(tally: Tally, seed: number, togetherSd: number, aloneSd: number): void {
  const player = drawPlayer(seed)
  const before = earlier(player)
  const changes = [{ day: AFTER - 1, kind: 'swing' as const }]
  const marked = fitModel(player.cells, before, AFTER, { ...USUAL_SPREAD, changes })
  const { balls: plan } = retestBalls(marked, ruleFor(player), WITHIN_M, 0)
  const together = togetherSd * player.dice.normal()
  const truthM = player.truthM.map(m => m * Math.exp(together + aloneSd * player.dice.normal()))
  const changed = { ...player, truthM }
  const sessions = [...before, retestOf(changed, plan)]
  const fits = {
    marked: fitModel(player.cells, sessions, AFTER, { ...USUAL_SPREAD, changes }),
    unmarked: fitModel(player.cells, sessions, AFTER),
  }
  for (const [name, fit] of Object.entries(fits))
    truthM.forEach((trueM, cell) => {
      const { carryM, certainty80M } = cellEstimate(fit, cell)
      addError(tally, name, carryM - trueM)
      addHit(tally, `${name} held`, trueM >= certainty80M[0] && trueM <= certainty80M[1])
    })
}

/**
 * A retest after one number that is hit has moved, or none: balls of it until it is called moved. Every ball is looked
 * at.
 * @returns the ball that called it, null when none of so many did
 */
export function ballsUntilCalled(seed: number, movedM: number, most: number): number | null {
  const player = drawPlayer(seed)
  const before = earlier(player)
  const then = fitModel(player.cells, before, VISITS.at(-1)!)
  const n = player.cells.length
  const cell = before[0]!.shots[0]!.cell
  const known = { carryM: cellEstimate(then, cell).carryM, lnVariance: then.covariance[cell * n + cell]! }
  const truthM = player.truthM.map((m, i) => (i === cell ? m + movedM : m))
  const { shots } = retestOf({ ...player, truthM }, [{ cell, balls: most }])
  for (let balls = MOVED_LEAST_BALLS; balls <= most; balls++) {
    const hit = shots.slice(0, balls)
    const fit = fitModel(player.cells, [...before, { day: AFTER, shots: hit }], AFTER)
    if (evidenceOfMove(fit, cell, known, [{ commonSd: 0, shots: hit }]) >= MOVED_EVIDENCE) return balls
  }
  return null
}
