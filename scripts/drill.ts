/**
 * The headless door of Practice: a drill and its balls in, the score out. Uses core/ alone.
 * npm run --silent drill -- --drill stairs --balls balls.csv [--bag bag.json] [--level good] [--within 3] [--unit yd|m]
 */
import { readDrillTable } from '../core/files/drill-table'
import { LEVELS, type Level } from '../core/level'
import { newMemo, type Memo } from '../core/memo'
import type { DrillSpec, DrillTask } from '../core/practice/drill-spec'
import { specOf } from '../core/practice/drill'
import { drillById } from '../core/practice/drills'
import { leaveOfLevel } from '../core/practice/level-balls'
import { levelScores } from '../core/practice/level-score'
import { FAIR_SHARE } from '../core/practice/rings'
import { scoreOf } from '../core/practice/score'
import { fromUnit } from '../core/units'
import { ballText, scoreText } from '../words/practice'
import { rowFaultText } from '../words/row-faults'
import { basename } from 'node:path'
import { Fault, open, readArgs, readBag, readFile, readShots, unitOf } from './door'

const USAGE =
  'usage: npm run --silent drill -- --drill stairs --balls balls.csv [--bag bag.json [--shots shots.csv]] ' +
  '[--level good] [--within 3] [--unit yd|m]'
const OPTIONS = {
  drill: { type: 'string' },
  balls: { type: 'string' },
  bag: { type: 'string' },
  shots: { type: 'string' },
  level: { type: 'string' },
  within: { type: 'string' },
  unit: { type: 'string' },
} as const

function drillOf(id: string) {
  try {
    return drillById(id)
  } catch (error) {
    throw new Fault(`--drill: ${(error as Error).message}`)
  }
}

/** What was asked, its figures rounded. */
const asked = (task: DrillTask) =>
  Object.fromEntries(
    Object.entries(task).map(([key, value]) => [key, typeof value === 'number' ? rounded(value) : value]),
  )
const rounded = (value: number | null) => (value === null ? null : Math.round(value * 1000) / 1000)

const UNIT_OF_SCORE: Record<DrillSpec['score'], string> = {
  strokes: 'strokes a ball',
  points: 'points',
  share: 'share',
  balls: 'balls',
  error: 'm',
}

/** What was asked for, checked. @throws Fault naming what cannot be */
function question(args: string[]) {
  const given = readArgs(args, OPTIONS, USAGE)
  if (!given.drill || !given.balls) throw new Fault(`--drill and --balls are needed; ${USAGE}`)
  const unit = unitOf(given.unit ?? 'yd')
  const bag = given.bag ? readBag(given.bag) : null
  const level = (given.level ?? bag?.level ?? 'unknown') as Level
  if (!LEVELS.includes(level)) throw new Fault(`--level: "${level}" is not one of ${LEVELS.join(', ')}`)
  const withinM = given.within === undefined ? undefined : fromUnit(Number(given.within), unit)
  if (withinM !== undefined && !(withinM > 0 && withinM <= 100))
    throw new Fault(`--within: "${given.within}" is not a distance above 0`)
  if (given.shots) {
    if (!bag) throw new Fault(`--shots: needs --bag too; ${USAGE}`)
    // They are checked; a score does not depend on them.
    readShots(given.shots, bag.bag, bag.player)
  }
  return { drill: drillOf(given.drill), unit, level, withinM, file: given.balls }
}

/** The balls and what they were hit at. @throws Fault naming the first row that cannot be */
function ballsOf(file: string) {
  const { tasks, balls, labels, errors } = readDrillTable(readFile(file))
  const first = errors[0]
  if (first)
    throw new Fault(
      `${basename(file)} row ${first.row}, ${first.column}: "${first.value}" ${rowFaultText(first.fault)}`,
    )
  return { tasks, balls, labels }
}

/** The drill as it was played. */
function playedSpec(
  { drill, unit, level, withinM }: ReturnType<typeof question>,
  { tasks, balls }: ReturnType<typeof ballsOf>,
  memo: Memo,
): DrillSpec {
  const { meta } = drill
  const isCircle = meta.score === 'share' && meta.measure === 'leave'
  const circled = (task: DrillTask): DrillTask =>
    isCircle && task.targetM !== undefined
      ? { ...task, circleM: withinM ?? leaveOfLevel(level, task.targetM, FAIR_SHARE, 'both', memo) }
      : task
  const count = Math.max(1, balls.length)
  return specOf(
    drill,
    { level, numbers: [], speedsMs: [], clubIds: [], unit, seed: 0 },
    {
      tasks: tasks.map(circled),
      ballsEach: count,
      balls: count,
      ...(withinM !== undefined && { withinM }),
      ...(meta.score === 'balls' && { stop: { kind: 'running', good: 5 } as const }),
    },
  )
}

function answer(args: string[]): string {
  const what = question(args)
  const { drill, level, unit } = what
  const memo = newMemo()
  const read = ballsOf(what.file)
  const spec = playedSpec(what, read, memo)
  const score = scoreOf(spec, read.balls, memo)
  const names = { unit, shot: () => '', club: () => '' }
  const bands = levelScores(spec, memo)
  const out = {
    format: 'uzzet-score',
    version: 1,
    drill: drill.meta.id,
    level,
    score: rounded(score.value),
    unit: drill.meta.measure === 'speed' && spec.score === 'error' ? 'm/s' : UNIT_OF_SCORE[spec.score],
    direction: score.direction,
    words: scoreText(spec, score, names),
    most: score.most,
    meanLeaveM: rounded(score.meanLeaveM),
    good: score.good,
    bestRun: score.bestRun,
    sideSeen: rounded(score.sideSeen),
    overPar: score.overPar,
    levels: bands && Object.fromEntries(bands.map(band => [band.level, rounded(band.value)])),
    targets: score.tasks.map(({ task, balls: hit, good, points, meanLeaveM, meanOffM, meanSideM, wild }) => ({
      ...asked(spec.tasks[task]!),
      balls: hit,
      good,
      points,
      meanLeaveM: rounded(meanLeaveM),
      meanOffM: rounded(meanOffM),
      meanSideM: rounded(meanSideM),
      wild,
    })),
    balls: score.judged.map((one, i) => ({
      ...read.labels[i],
      ...asked(one.task),
      offM: rounded(one.offM),
      sideM: rounded(one.sideM),
      leaveM: rounded(one.leaveM),
      good: one.good,
      points: one.points,
      gained: rounded(one.gained),
      speedOffMs: rounded(one.speedOffMs),
      words: ballText(one, spec, names),
    })),
  }
  return `${JSON.stringify(out, null, 2)}\n`
}

open(answer)
