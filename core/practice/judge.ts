import type { Memo } from '../memo'
import { curveWay } from '../shot/hand'
import { mphToMps, yardsToMetres } from '../units'
import type { DrillBall, DrillSpec, DrillTask } from './drill-spec'
import { leaveOfLevel, levelRest, restStrokes } from './level-balls'
import { isWild, pointsOf, ringsOf } from './rings'

/** What came of a ball, as far as it was seen. Metres; right and past are positive. */
export interface JudgedBall {
  ball: DrillBall
  task: DrillTask
  /** Past the target. */
  offM: number | null
  sideM: number | null
  /** From the target; by its length alone where nobody saw the side. */
  leaveM: number | null
  /** Near enough; null where that cannot be told. */
  good: boolean | null
  points: number
  wild: boolean
  /** Strokes better than the level's ball from there; below 0 is worse. */
  gained: number | null
  /** Strokes to hole out from there, by the level. */
  restStrokes: number | null
  /** Club speed beyond what was called, m/s. */
  speedOffMs: number | null
}

/** More strokes than this from where it ended: it cost more than par. */
export const PAR_FROM_THERE = 2
/** Near enough where nobody says otherwise: the middle one of the level's balls. Our choice. */
const MIDDLE_BALL = 0.5
/** A called speed is met within this, m/s: about one mph. Our choice. */
export const SPEED_WITHIN_MS = 0.5

/** What one m/s of club speed is worth in carry, metres: 2.5 yd a mph; common practice. */
const CARRY_OF_SPEED = yardsToMetres(2.5) / mphToMps(1)
/** What a speed that was missed costs in carry, metres, unsigned. @example speedCostM(0) // => 0 */
export const speedCostM = (speedOffMs: number): number => Math.abs(speedOffMs) * CARRY_OF_SPEED

/** What is near enough at a target, metres. */
export function withinOf({ withinM, level, measure }: DrillSpec, task: DrillTask, memo: Memo): number {
  if (task.circleM !== undefined) return task.circleM
  if (withinM !== undefined) return withinM
  if (task.targetM === undefined) return Infinity
  return leaveOfLevel(level, task.targetM, MIDDLE_BALL, measure === 'leave' ? 'both' : 'length', memo)
}

/** What the ball was held against; null where it cannot be told. */
function isGood(
  spec: DrillSpec,
  task: DrillTask,
  ball: DrillBall,
  { offM, sideM, leaveM, speedOffMs }: Pick<JudgedBall, 'offM' | 'sideM' | 'leaveM' | 'speedOffMs'>,
  memo: Memo,
): boolean | null {
  const { measure, launchMostDeg } = spec
  const within = withinOf(spec, task, memo)
  if (measure === 'speed') return speedOffMs === null ? null : Math.abs(speedOffMs) <= SPEED_WITHIN_MS
  if (measure === 'curve') return ball.curve === undefined || !task.curve ? null : curveWay(ball.curve) === task.curve
  if (measure === 'launch')
    return ball.launchDeg === undefined ? (ball.good ?? null) : ball.launchDeg <= (launchMostDeg ?? Infinity)
  if (measure === 'side') return sideM === null ? (ball.good ?? null) : Math.abs(sideM) <= within
  if (measure === 'call') {
    if (offM === null || !ball.call) return null
    const came = offM < -within ? 'short' : offM > within ? 'long' : 'good'
    return came === ball.call
  }
  if (leaveM === null) return ball.good ?? null
  return (measure === 'length' ? Math.abs(offM!) : leaveM) <= within
}

/** A ball of a go. Mutates nothing. */
export function judge(spec: DrillSpec, ball: DrillBall, memo: Memo): JudgedBall {
  const task = spec.tasks[ball.task] ?? {}
  const { targetM } = task
  const offM = targetM === undefined || ball.endM === undefined ? null : ball.endM - targetM
  const sideM = ball.sideM ?? null
  const bySide = spec.measure !== 'length' && sideM !== null
  const leaveM = offM === null ? null : bySide ? Math.hypot(offM, sideM) : Math.abs(offM)
  const speedOffMs = task.speedMs === undefined || ball.speedMs === undefined ? null : ball.speedMs - task.speedMs
  const dimensions = bySide ? 'both' : 'length'
  const rings = targetM !== undefined && leaveM !== null ? ringsOf(spec.level, targetM, dimensions, memo) : null
  const rest = leaveM === null ? null : restStrokes(spec.level, targetM!, offM!, bySide ? sideM : 0, memo)
  return {
    ball,
    task,
    offM,
    sideM,
    leaveM,
    good: isGood(spec, task, ball, { offM, sideM, leaveM, speedOffMs }, memo),
    points: rings ? pointsOf(leaveM!, rings) : 0,
    wild: rings !== null && isWild(leaveM!, rings),
    gained: rest === null ? null : levelRest(spec.level, targetM!, dimensions, memo) - rest,
    restStrokes: rest,
    speedOffMs,
  }
}
