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

type Seen = Pick<JudgedBall, 'offM' | 'sideM' | 'leaveM' | 'speedOffMs'>
type GoodBy = (
  ball: DrillBall,
  seen: Seen,
  against: { task: DrillTask; withinM: number; launchMostDeg: number },
) => boolean | null

/** A reading against its limit; where nobody read it, what the coach called. */
const atMost = (value: number | null | undefined, most: number, ball: DrillBall) =>
  value === null || value === undefined ? (ball.good ?? null) : value <= most

const sizeOf = (value: number | null) => (value === null ? null : Math.abs(value))

const byLeave: GoodBy = (ball, { leaveM }, { withinM }) => atMost(leaveM, withinM, ball)

/** What the ball is held against, by what is measured; null where it cannot be told. */
const GOOD_BY: Record<DrillSpec['measure'], GoodBy> = {
  speed: (_, { speedOffMs }) => (speedOffMs === null ? null : Math.abs(speedOffMs) <= SPEED_WITHIN_MS),
  curve: ({ curve }, _, { task }) => (curve === undefined || !task.curve ? null : curveWay(curve) === task.curve),
  launch: (ball, _, { launchMostDeg }) => atMost(ball.launchDeg, launchMostDeg, ball),
  side: (ball, { sideM }, { withinM }) => atMost(sizeOf(sideM), withinM, ball),
  length: (ball, { offM }, { withinM }) => atMost(sizeOf(offM), withinM, ball),
  leave: byLeave,
  eye: byLeave,
  call: ({ call }, { offM }, { withinM }) => {
    if (offM === null || !call) return null
    const came = offM < -withinM ? 'short' : offM > withinM ? 'long' : 'good'
    return came === call
  },
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
  const against = {
    task,
    withinM: withinOf(spec, task, memo),
    launchMostDeg: spec.launchMostDeg ?? Infinity,
  }
  return {
    ball,
    task,
    offM,
    sideM,
    leaveM,
    good: GOOD_BY[spec.measure](ball, { offM, sideM, leaveM, speedOffMs }, against),
    points: rings ? pointsOf(leaveM!, rings) : 0,
    wild: rings !== null && isWild(leaveM!, rings),
    gained: rest === null ? null : levelRest(spec.level, targetM!, dimensions, memo) - rest,
    restStrokes: rest,
    speedOffMs,
  }
}
