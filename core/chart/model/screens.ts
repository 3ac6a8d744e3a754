import type { Verdict } from './fit'
import type { BadKind } from './kinds'

/** A ball less likely clean than this is asked about. Balls are down-weighted long before; this is for asking. [sim] */
export const ASK_BELOW = 0.30

/** Of a cell's last four balls, so many off to the same side are no accident: the swing may have changed. [cp] */
const LAST_BALLS = 4
const SAME_SIDE = 3

/** A ball that stands out, and what it looks like. */
export interface Question {
  shot: string
  fault: BadKind
  /** How far from the stock shot's number, metres; short is negative. */
  offM: number
  clean: number
  /** Set when this is one of a run to the same side: then it is not the ball that is asked about, but the swing. */
  changed: boolean
}

/** One ball of a cell, in the order hit. */
export interface JudgedBall { shot: string, carryM: number, verdict: Verdict, settled: boolean }

/**
 * Which balls of one stock shot to ask the coach about. Those the coach has settled are not asked about again.
 * @param balls counting ones, oldest first
 * @param carryM the stock shot's number
 */
export function questionsOf(balls: readonly JudgedBall[], carryM: number): Question[] {
  const odd = balls.filter(ball => ball.verdict.clean < ASK_BELOW)
  const side = (ball: JudgedBall) => Math.sign(ball.carryM - carryM)
  const recent = balls.slice(-LAST_BALLS).filter(ball => odd.includes(ball))
  const runSide = [-1, 1].find(way => recent.filter(ball => side(ball) === way).length >= SAME_SIDE)
  return odd.filter(ball => !ball.settled).map(ball => ({
    shot: ball.shot, fault: ball.verdict.fault, offM: ball.carryM - carryM, clean: ball.verdict.clean,
    changed: runSide !== undefined && side(ball) === runSide && recent.includes(ball),
  }))
}
