/**
 * The headless door of Practice: a drill and its balls in, the score out. Uses core/ alone.
 * npm run --silent drill -- --drill stairs --balls balls.csv [--bag bag.json] [--level good] [--within 3] [--unit yd|m]
 */
import { readDrillTable } from '../core/files/drill-table'
import { LEVELS, type Level } from '../core/level'
import { newMemo } from '../core/memo'
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

function answer(args: string[]): string {
  const given = readArgs(args, OPTIONS, USAGE)
  if (!given.drill || !given.balls) throw new Fault(`--drill and --balls are needed; ${USAGE}`)
  const unit = unitOf(given.unit ?? 'yd')
  const drill = drillOf(given.drill)
  const bag = given.bag ? readBag(given.bag) : null
  const level = (given.level ?? bag?.level ?? 'unknown') as Level
  if (!LEVELS.includes(level)) throw new Fault(`--level: "${level}" is not one of ${LEVELS.join(', ')}`)
  const within = given.within === undefined ? undefined : fromUnit(Number(given.within), unit)
  if (within !== undefined && !(within > 0 && within <= 100))
    throw new Fault(`--within: "${given.within}" is not a distance above 0`)
  if (given.shots) {
    if (!bag) throw new Fault(`--shots: needs --bag too; ${USAGE}`)
    // They are checked; a score does not depend on them.
    readShots(given.shots, bag.bag, bag.player)
  }
  const { tasks, balls, labels, errors } = readDrillTable(readFile(given.balls))
  const first = errors[0]
  if (first)
    throw new Fault(
      `${basename(given.balls)} row ${first.row}, ${first.column}: "${first.value}" ${rowFaultText(first.fault)}`,
    )
  const memo = newMemo()
  const isCircle = drill.meta.score === 'share' && drill.meta.measure === 'leave'
  const spec: DrillSpec = specOf(
    drill,
    { level, numbers: [], speedsMs: [], clubIds: [], unit, seed: 0 },
    {
      tasks: tasks.map(task =>
        isCircle && task.targetM !== undefined
          ? { ...task, circleM: within ?? leaveOfLevel(level, task.targetM, FAIR_SHARE, 'both', memo) }
          : task,
      ),
      ballsEach: Math.max(1, balls.length),
      balls: Math.max(1, balls.length),
      ...(within !== undefined && { withinM: within }),
      ...(drill.meta.score === 'balls' && { stop: { kind: 'running', good: 5 } as const }),
    },
  )
  const score = scoreOf(spec, balls, memo)
  const names = { unit, shot: () => '', club: () => '' }
  const bands = levelScores(spec, memo)
  const out = {
    format: 'uzzet-score',
    version: 1,
    drill: drill.meta.id,
    level,
    score: rounded(score.value),
    unit: {
      strokes: 'strokes a ball',
      points: 'points',
      share: 'share',
      balls: 'balls',
      error: drill.meta.measure === 'speed' ? 'm/s' : 'm',
    }[spec.score],
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
      ...labels[i],
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
