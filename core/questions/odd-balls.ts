import { ASK } from '../model/constants'
import type { Verdict } from '../model/fit'
import type { LaunchLook } from './launch-looks'
import type { BadKind } from '../model/kinds'

/** A ball that stands out, and what it looks like. */
export interface OddBall {
  shot: string
  fault: BadKind
  /** What it carried, metres, in the air of the chart. */
  carryM: number
  /** How far from the stock shot's number, metres; short is negative. */
  offM: number
  clean: number
  /** Set when this is one of a run to the same side: then it is not the ball that is asked about, but the swing. */
  changed: boolean
  /** What its launch shows, when it was the launch that told. */
  launch?: LaunchLook
}

/** One ball of a cell, in the order hit. */
export interface JudgedBall {
  shot: string
  carryM: number
  verdict: Verdict
  settled: boolean
}

/**
 * Which balls of one stock shot to ask the coach about. Those the coach has settled are not asked about again.
 * @param balls counting ones, oldest first
 * @param carryM the stock shot's number
 */
export function questionsOf(balls: readonly JudgedBall[], carryM: number): OddBall[] {
  const odd = balls.filter(ball => ball.verdict.clean < ASK.below)
  const side = (ball: JudgedBall) => Math.sign(ball.carryM - carryM)
  const recent = balls.slice(-ASK.lastBalls).filter(ball => odd.includes(ball))
  const runSide = [-1, 1].find(way => recent.filter(ball => side(ball) === way).length >= ASK.sameSide)
  return odd
    .filter(ball => !ball.settled)
    .map(ball => ({
      shot: ball.shot,
      carryM: ball.carryM,
      fault: ball.verdict.fault,
      offM: ball.carryM - carryM,
      clean: ball.verdict.clean,
      changed: runSide !== undefined && side(ball) === runSide && recent.includes(ball),
    }))
}
