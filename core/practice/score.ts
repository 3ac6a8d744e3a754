import { cellKey } from '../bag/bag'
import { groupBy } from '../group-by'
import type { Memo } from '../memo'
import type { DrillBall, DrillSpec, ScoreKind } from './drill-spec'
import { judge, PAR_FROM_THERE, type JudgedBall } from './judge'
import { nextTask, running } from './next-task'
import { MOST_POINTS } from './rings'

/** More is better, or less is. */
export const SCORE_DIRECTION: Record<ScoreKind, 'more' | 'less'> = {
  strokes: 'more',
  points: 'more',
  share: 'more',
  balls: 'less',
  error: 'less',
}

/** What came of one task of a go. Metres. */
export interface TaskScore {
  task: number
  balls: number
  good: number
  points: number
  mostPoints: number
  /** Mean, unsigned. */
  meanLeaveM: number | null
  meanOffM: number | null
  meanSideM: number | null
  /** A wild ball took its points. */
  wild: boolean
}

/** What came of one stock shot of a go: whose bad ball ends nearer is told by it. Metres. */
export interface ShotScore {
  clubId: string
  rungId: string
  balls: number
  meanLeaveM: number
  bestLeaveM: number
  worstLeaveM: number
}

/** A go, summed up. */
export interface DrillScore {
  /** Null before the first ball that tells anything. */
  value: number | null
  /** The best that can be; null where there is none. */
  most: number | null
  direction: 'more' | 'less'
  /** By ball, in order: the score is their mean, or their sum. */
  values: number[]
  judged: JudgedBall[]
  /** Told as flyers or not the shot asked for: shown, not scored. */
  apart: JudgedBall[]
  tasks: TaskScore[]
  shots: ShotScore[]
  good: number
  bestRun: number
  meanLeaveM: number | null
  /** Share of balls whose side was seen, 0 to 1. */
  sideSeen: number
  /** Balls from which more than two strokes are expected. */
  overPar: number
  /** Place of what is asked next; null when it is over. */
  next: number | null
}

const mean = (values: readonly number[]) =>
  values.length === 0 ? null : values.reduce((sum, value) => sum + value, 0) / values.length
const told = (values: readonly (number | null)[]) => values.filter(value => value !== null)

function longestRun(judged: readonly JudgedBall[]): number {
  let [best, now] = [0, 0]
  for (const { good } of judged) {
    now = good ? now + 1 : 0
    best = Math.max(best, now)
  }
  return best
}

function taskScores({ tasks }: DrillSpec, judged: readonly JudgedBall[]): TaskScore[] {
  return tasks.map((_, task) => {
    const own = judged.filter(({ ball }) => ball.task === task)
    const wild = own.some(one => one.wild)
    return {
      task,
      balls: own.length,
      good: own.filter(({ good }) => good).length,
      points: wild ? 0 : own.reduce((sum, { points }) => sum + points, 0),
      mostPoints: own.length * MOST_POINTS,
      meanLeaveM: mean(told(own.map(({ leaveM }) => leaveM))),
      meanOffM: mean(told(own.map(({ offM }) => offM))),
      meanSideM: mean(told(own.map(({ sideM }) => sideM))),
      wild,
    }
  })
}

function shotScores(judged: readonly JudgedBall[]): ShotScore[] {
  const own = judged.flatMap(({ ball: { clubId, rungId }, leaveM }) =>
    clubId && rungId && leaveM !== null ? [{ clubId, rungId, leaveM }] : [],
  )
  return [...groupBy(own, cellKey).values()].map(list => {
    const leaves = list.map(({ leaveM }) => leaveM)
    return {
      clubId: list[0]!.clubId,
      rungId: list[0]!.rungId,
      balls: list.length,
      meanLeaveM: mean(leaves)!,
      bestLeaveM: Math.min(...leaves),
      worstLeaveM: Math.max(...leaves),
    }
  })
}

/** What each ball adds, by the kind of score; balls that tell nothing of it are left away. */
function valuesOf({ score, measure }: DrillSpec, judged: readonly JudgedBall[], tasks: readonly TaskScore[]): number[] {
  if (score === 'strokes') return told(judged.map(({ gained }) => gained))
  if (score === 'points') return judged.map(({ points, ball }) => (tasks[ball.task]?.wild ? 0 : points))
  if (score === 'error')
    return told(
      judged.map(({ speedOffMs, sideM, leaveM }) => {
        const off = measure === 'speed' ? speedOffMs : measure === 'side' ? sideM : leaveM
        return off === null ? null : Math.abs(off)
      }),
    )
  return judged.flatMap(({ good }) => (good === null ? [] : [good ? 1 : 0]))
}

function valueOf(spec: DrillSpec, values: readonly number[], judged: readonly JudgedBall[]): number | null {
  if (values.length === 0) return null
  if (spec.score === 'points') return values.reduce((sum, value) => sum + value, 0)
  if (spec.score !== 'balls') return mean(values)
  // Balls until so many were good running; all of them and one more where it never came to that.
  const isDone = spec.stop.kind === 'running' && running(judged) >= spec.stop.good
  return isDone ? judged.length : spec.tasks.length * spec.ballsEach + 1
}

/**
 * A go, scored ball by ball.
 * @param balls in the order they were hit
 * @returns mean strokes gained, points, share of good ones (0 to 1), balls needed, or mean error in metres or m/s
 */
export function scoreOf(spec: DrillSpec, balls: readonly DrillBall[], memo: Memo): DrillScore {
  const all = balls.map(ball => judge(spec, ball, memo))
  const judged = all.filter(({ ball }) => !ball.apart)
  const tasks = taskScores(spec, judged)
  const values = valuesOf(spec, judged, tasks)
  const ended = judged.filter(({ leaveM }) => leaveM !== null)
  return {
    value: valueOf(spec, values, judged),
    most: spec.score === 'points' ? judged.length * MOST_POINTS : null,
    direction: SCORE_DIRECTION[spec.score],
    values,
    judged,
    apart: all.filter(({ ball }) => ball.apart),
    tasks,
    shots: shotScores(judged),
    good: judged.filter(({ good }) => good).length,
    bestRun: longestRun(judged),
    meanLeaveM: mean(told(judged.map(({ leaveM }) => leaveM))),
    sideSeen: ended.length === 0 ? 0 : ended.filter(({ sideM }) => sideM !== null).length / ended.length,
    overPar: judged.filter(one => (one.restStrokes ?? 0) > PAR_FROM_THERE).length,
    next: nextTask(spec, judged),
  }
}
