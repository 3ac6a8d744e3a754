import { z } from 'zod'
import { CARRY_MAX_M } from '../../core/limits'
import { LEVELS } from '../../core/level'
import {
  APART,
  ASKED_FLIGHTS,
  CALLS,
  DRILL_ORDERS,
  MEASURES,
  SCORES,
  type DrillBall,
  type DrillSpec,
} from '../../core/practice/drill-spec'
import { DRILLS } from '../../core/practice/drills'
import { CURVE_WAYS, HANDS } from '../../core/shot/hand'
import { READING_RANGE } from '../../core/shot/readings'
import { boundedNumber, ClockTime, Id, lineOfText, oneOf, Version } from './text'
import { GO_BALLS_MAX, GO_TASKS_MAX, GO_NAME_MAX, NOTE_MAX, HOMEWORK_BLOCKS_MAX } from '../limits'

const metres = (what: string, least = 0) => boundedNumber(what, least, CARRY_MAX_M, ' m')
const whole = (what: string, least: number, most: number) =>
  boundedNumber(what, least, most, '').int({ error: `${what} must be a whole number.` })
const speed = (what: string) => boundedNumber(what, ...READING_RANGE.clubSpeedMs, ' m/s')
const ballsOfWay = whole('Balls of a curve', 0, 1_000_000)
const DRILL_IDS = DRILLS.map(({ meta }) => meta.id) as [string, ...string[]]

/** A drill as data; what a drill of the registry or a coach's own asks for. */
export const DrillSpecRecord = z.strictObject({
  drill: oneOf('Drill', DRILL_IDS),
  tasks: z
    .array(
      z.strictObject({
        targetM: metres('Target', 1).optional(),
        clubId: Id.optional(),
        rungId: Id.optional(),
        circleM: metres('Circle', 0.1).optional(),
        flight: oneOf('Flight', ASKED_FLIGHTS).optional(),
        curve: oneOf('Curve', CURVE_WAYS).optional(),
        speedMs: speed('Called speed').optional(),
      }),
      { error: 'Tasks must be a list.' },
    )
    .min(1, { error: 'A drill asks for one thing at least.' })
    .max(GO_TASKS_MAX, { error: `At most ${GO_TASKS_MAX} things can be asked for in one go.` }),
  order: oneOf('Order', DRILL_ORDERS),
  ballsEach: whole('Balls each', 1, 50),
  balls: whole('Balls', 1, GO_BALLS_MAX).optional(),
  goodEach: whole('Good ones each', 1, 10).optional(),
  stop: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('balls') }),
    z.strictObject({ kind: z.literal('running'), good: whole('Good ones running', 2, 20) }),
  ]),
  measure: oneOf('Measure', MEASURES),
  score: oneOf('Score', SCORES),
  withinM: metres('Near enough', 0.1).optional(),
  launchMostDeg: boundedNumber('Highest launch', 1, 60, '°').optional(),
  hand: oneOf('Hand', HANDS).optional(),
  natural: z.strictObject({ left: ballsOfWay, straight: ballsOfWay, right: ballsOfWay }).optional(),
  toRest: z.literal(true, { error: 'To rest is yes or missing.' }).optional(),
  level: oneOf('Level', LEVELS),
  seed: whole('Seed', 0, 2 ** 31 - 1),
}) satisfies z.ZodType<DrillSpec>

/** One ball of a go, and as it stands after each change. Deleting is marking. */
export const GoBall = z.strictObject({
  id: Id,
  task: whole('Task', 0, GO_TASKS_MAX - 1),
  atMs: ClockTime('Time'),
  clubId: Id.optional(),
  rungId: Id.optional(),
  endM: metres('Where it ended').optional(),
  sideM: boundedNumber('Side', ...READING_RANGE.sideM, ' m').optional(),
  good: z.boolean({ error: 'Good is yes or no.' }).optional(),
  speedMs: speed('Club speed').optional(),
  launchDeg: boundedNumber('Launch', ...READING_RANGE.launchDeg, '°').optional(),
  spinRpm: boundedNumber('Spin', ...READING_RANGE.spinRpm, ' rpm').optional(),
  curve: whole('Curve', -2, 2).optional(),
  call: oneOf('Call', CALLS).optional(),
  apart: oneOf('Apart', APART).optional(),
  routine: z.boolean({ error: 'Routine is yes or no.' }).optional(),
  /** The ball of a device that it came from. */
  shotId: Id.optional(),
  gone: z.literal(true, { error: 'Gone is yes or missing.' }).optional(),
  version: Version,
}) satisfies z.ZodType<DrillBall>
export type GoBall = z.infer<typeof GoBall>

/** One go at a drill, as it stands on the device. */
export const GoRecord = z.strictObject({
  id: Id,
  name: lineOfText('Name', GO_NAME_MAX, { required: false }),
  note: lineOfText('Note', NOTE_MAX, { required: false }),
  spec: DrillSpecRecord,
  startedAtMs: ClockTime('Start'),
  endedAtMs: ClockTime('End').nullable(),
  homeworkId: Id.nullable(),
  /** The session whose device sends balls to it, and that takes them once they count for the chart. */
  sessionId: Id.nullable(),
  gone: z.boolean({ error: 'Gone is yes or no.' }),
  balls: z
    .array(GoBall, { error: 'Balls must be a list.' })
    .max(GO_BALLS_MAX, { error: `At most ${GO_BALLS_MAX} balls are allowed in one go.` }),
  version: Version,
})
export type GoRecord = z.infer<typeof GoRecord>

/** What a coach sets a player to do alone. */
export const HomeworkRecord = z.strictObject({
  id: Id,
  note: lineOfText('Note', NOTE_MAX, { required: false }),
  dueAtMs: ClockTime('Due').nullable(),
  blocks: z
    .array(
      z.strictObject({
        id: Id,
        name: lineOfText('Name', GO_NAME_MAX),
        why: lineOfText('Why', NOTE_MAX, { required: false }),
        spec: DrillSpecRecord,
      }),
      { error: 'Blocks must be a list.' },
    )
    .min(1, { error: 'Homework is one drill at least.' })
    .max(HOMEWORK_BLOCKS_MAX, { error: `At most ${HOMEWORK_BLOCKS_MAX} drills are set at once.` }),
  setAtMs: ClockTime('Set'),
  /** True once it was taken back: the player's phone shows it no more. */
  withdrawn: z.boolean({ error: 'Withdrawn is yes or no.' }),
})
export type HomeworkRecord = z.infer<typeof HomeworkRecord>

/** A drill that a coach built, kept for all players of the academy. */
export const OwnDrill = z.strictObject({ id: Id, name: lineOfText('Name', GO_NAME_MAX), spec: DrillSpecRecord })
export type OwnDrill = z.infer<typeof OwnDrill>
