import { z } from 'zod'
import { AIR_RANGE } from '../../core/flight/air'
import { LEVELS } from '../../core/level'
import {
  CARRY_MAX_M,
  CARRY_MIN_M,
  CHANGES_MAX,
  COURSE_SCATTER_RANGE,
  GOALS_MAX,
  NAME_MAX,
  PICK_RULES_MAX,
  THRESHOLD_LIMITS,
  WITHIN_MAX_M,
  WITHIN_MIN_M,
} from '../../core/limits'
import { CHANGE_KINDS } from '../../core/model/constants'
import { HANDS } from '../../core/shot/hand'
import { GOAL_RANGE, type GoalReading } from '../../core/shot/goal'
import { HABITS } from '../../core/history/published'
import { FIRMNESSES } from '../choices'
import { boundedNumber, ClockTime, Id, lineOfText, Moment, oneOf, Version } from './text'

const threshold = (what: string, name: keyof typeof THRESHOLD_LIMITS, unit: string) =>
  boundedNumber(what, THRESHOLD_LIMITS[name][0], THRESHOLD_LIMITS[name][1], unit).optional()

/**
 * What all players of an academy are judged by, unless a player has figures of their own. What is missing takes the
 * default.
 */
const figures = {
  widestStepM: threshold('Widest step', 'widestStepM', ' m'),
  closestM: threshold('Closest pair', 'closestM', ' m'),
  withinM: boundedNumber('Wanted certainty', WITHIN_MIN_M, WITHIN_MAX_M, ' m').optional(),
  leaveM: threshold('Acceptable leave', 'leaveM', ' m'),
  unevenM: threshold('Uneven from', 'unevenM', ' m'),
  floorM: threshold('Numbers down to', 'floorM', ' m'),
  flightDeg: threshold('Another flight from', 'flightDeg', '°'),
  leastBalls: threshold('Fewest balls', 'leastBalls', ''),
  staleDays: threshold('Old after', 'staleDays', ' days'),
  biasPercent: threshold('Bias from', 'biasPercent', ' %'),
}
const GOAL_UNITS: Record<GoalReading, readonly [what: string, unit: string]> = {
  launchDeg: ['Launch', '°'],
  spinRpm: ['Spin', ' rpm'],
}
/** The least and the most of a reading. */
function goalSpan(reading: GoalReading) {
  const [what, unit] = GOAL_UNITS[reading]
  const end = boundedNumber(what, ...GOAL_RANGE[reading], unit)
  return z
    .tuple([end, end], { error: `${what} goal is two numbers.` })
    .refine(([least, most]) => least <= most, { error: `${what} goal: the first number must not be above the second.` })
    .optional()
}

export const AcademyThresholds = z.strictObject(figures)
export type AcademyThresholds = z.infer<typeof AcademyThresholds>

/**
 * What a player's numbers are judged by: flag thresholds, and how surely a number is wanted. What is missing takes
 * the academy's.
 */
export const Thresholds = z.object({
  ...figures,
  /** Cover counts only stock shots with a ball that counts. */
  measuredOnly: z.literal(true, { error: 'Measured only is yes or missing.' }).optional(),
  /** Ladder, cover and flags go by the balls even where the coach has written a number. */
  asBalls: z.literal(true, { error: 'As the balls have it is yes or missing.' }).optional(),
  /** Leaves are those of a player who aims at the target, whatever the usual miss; else the aim is moved by it. */
  aimedStraight: z.literal(true, { error: 'Aimed straight is yes or missing.' }).optional(),
  /** Total is shown first, on ground like this: for a beginner, who sees where the ball stops. */
  totalOn: oneOf('Ground', FIRMNESSES).optional(),
  /** The chart is kept as it was measured: the air is not taken out. */
  asMeasured: z.literal(true, { error: 'As measured is yes or missing.' }).optional(),
  /** The yardage that the player likes least: the plan of a practice takes it up. */
  leastLikedM: boundedNumber('Least liked', CARRY_MIN_M, CARRY_MAX_M, ' m').optional(),
  /** Days from which on older balls say less: a new swing, clubs or ball, the start of a season. */
  changes: z
    .array(z.strictObject({ atMs: ClockTime('Day'), kind: oneOf('Kind', CHANGE_KINDS) }), {
      error: 'Changes must be a list.',
    })
    .max(CHANGES_MAX, { error: `At most ${CHANGES_MAX} changes can be marked.` })
    .optional(),
  /** What to hit next goes by all stock shots alike, not by what rounds ask for. */
  alikeNeed: z.literal(true, { error: 'All alike is yes or missing.' }).optional(),
  /** What launch and spin stock shots are to have. */
  goals: z
    .array(z.object({ clubId: Id, rungId: Id, launchDeg: goalSpan('launchDeg'), spinRpm: goalSpan('spinRpm') }), {
      error: 'Goals must be a list.',
    })
    .max(GOALS_MAX, { error: `At most ${GOALS_MAX} stock shots can have a goal.` })
    .optional(),
  /** How the player picks on the course; it goes with the next chart that is published. */
  pick: z
    .object({
      habit: oneOf('Habit', HABITS),
      courseScatter: boundedNumber('Course scatter', ...COURSE_SCATTER_RANGE, ' times').optional(),
      home: z
        .object({
          tempC: boundedNumber('Temperature', ...AIR_RANGE.tempC, ' °C'),
          altitudeM: boundedNumber('Altitude', ...AIR_RANGE.altitudeM, ' m'),
        })
        .optional(),
      rules: z
        .array(
          z.object({
            clubId: Id,
            rungId: Id,
            fromM: boundedNumber('From', 1, CARRY_MAX_M, ' m'),
            toM: boundedNumber('To', 1, CARRY_MAX_M, ' m'),
          }),
          { error: 'Rules must be a list.' },
        )
        .max(PICK_RULES_MAX, { error: `At most ${PICK_RULES_MAX} rules are allowed.` }),
    })
    .optional(),
})
export type Thresholds = z.infer<typeof Thresholds>

/** Whose agreement the record of somebody under age asks for; it stands open until the day is noted. */
export const Guardian = z
  .strictObject({
    name: lineOfText('Who agrees', NAME_MAX, { required: false }),
    agreedAtMs: Moment('Agreed on').nullable(),
  })
  .superRefine(({ name, agreedAtMs }, issues) => {
    if (agreedAtMs !== null && name === '')
      issues.addIssue({ code: 'custom', path: ['name'], message: 'Who agreed is missing: a name is needed.' })
  })
export type Guardian = z.infer<typeof Guardian>

/**
 * What is noted of a player, and nowhere else listed: rows, changes, exports and what comes back in follow from it. A
 * field that came later is optional, since older pages and files lack it.
 */
export const PlayerFields = z.object({
  name: lineOfText('Name', NAME_MAX),
  level: oneOf('Level', LEVELS),
  /** Missing is the right one for a new player, and as it was for a known one. */
  hand: oneOf('Hand', HANDS).optional(),
  note: lineOfText('Note', 300, { required: false }),
  /** Missing: of age, or as it was. */
  guardian: Guardian.nullable().optional(),
})
export type PlayerFields = z.infer<typeof PlayerFields>

export const NewPlayer = PlayerFields.extend({ id: Id })
export type NewPlayer = z.infer<typeof NewPlayer>

export const PlayerChange = PlayerFields.partial().extend({
  version: Version,
  thresholds: Thresholds.optional(),
  archived: z.boolean({ error: 'Archived is yes or no.' }).optional(),
  /** Handed to a colleague. */
  coachId: Id.optional(),
})
export type PlayerChange = z.infer<typeof PlayerChange>

/** Where a page of the list begins: behind this player. */
export const PlayersQuery = z.object({ after: Id.optional() })
