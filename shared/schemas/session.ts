import { z } from 'zod'
import {
  BALLS_MAX,
  BETWEEN_MARKS,
  BLOCK_RANGE,
  CARRY_MAX_M,
  CARRY_MIN_M,
  HEIGHT_RANGE_M,
  MARK_MAX,
  OWN_MARKS_MAX,
  PACE_MAX_M,
  PACE_MIN_M,
  PLUS_RANGE_M,
  REASON_MAX,
} from '../../core/limits'
import { BALLS_AT_ONCE } from '../../core/calibration/calibration'
import { AIR_RANGE } from '../../core/flight/air'
import { ORDERS } from '../../core/session/order'
import { CARRY_BASES, READING_NAMES, READING_RANGE, type ReadingName } from '../../core/shot/readings'
import { isPossibleHeight } from '../../core/shot/landing-height'
import { CARRY_AIRS } from '../../core/shot/carry-air'
import { FELT_RANGE } from '../../core/shot/typed-ball'
import { FACES, METHODS, STRIKES } from '../../core/shot/shot'
import { boundedNumber, ClockTime, Id, lineOfText, Moment, oneOf, Version } from './text'
import { quoted } from '../text'
import { LABEL_LINE, BUCKET_MAX, SETTLE_MAX, TOLD_LINES, TOLD_LINE, AIRS_MAX, SHOTS_PER_REQUEST } from '../limits'
import {
  BALL_KINDS,
  SURFACES,
  WINDS_JUDGED,
  GROUNDS,
  FIRMNESSES,
  MEASURED_TO,
  BLOCK_ENDS,
  USUAL_PLAN,
} from '../choices'

function clockFault({ input }: { input?: unknown }): string {
  return (
    `Wind from ${quoted(input)} o'clock is not possible: more ` +
    `than 0 to 12 is allowed, 12 in the face, 3 from the right.`
  )
}

/** Air of a session from a moment on. */
export const AirRecord = z.object({
  fromMs: ClockTime('Air'),
  tempC: boundedNumber('Temperature', ...AIR_RANGE.tempC, ' °C'),
  humidity: boundedNumber('Humidity', ...AIR_RANGE.humidity, ''),
  altitudeM: boundedNumber('Altitude', ...AIR_RANGE.altitudeM, ' m'),
  qnhPa: boundedNumber('Pressure', ...AIR_RANGE.qnhPa, ' Pa').nullable(),
  wind: z.object(
    {
      speedMs: boundedNumber('Wind', ...AIR_RANGE.windMs, ' m/s'),
      clock: z
        .number({ error: 'Wind must be from an hour of the clock.' })
        .gt(0, { error: clockFault })
        .max(12, { error: clockFault }),
      judged: oneOf('Wind judged by', WINDS_JUDGED),
      sdMs: boundedNumber('Error of the wind', ...AIR_RANGE.windMs, ' m/s').optional(),
    },
    { error: 'The wind is missing.' },
  ),
  ground: oneOf('Ground', GROUNDS),
})
export type AirRecord = z.infer<typeof AirRecord>

/** How a session goes about it: remembered from one to the next. */
export const SessionPlan = z.object({
  name: lineOfText('Name', LABEL_LINE, { required: false }),
  indoors: z.boolean({ error: 'Indoors is yes or no.' }),
  /** Ground that distances are measured on, and whether to where the ball lies or to where it pitched. */
  firmness: oneOf('Ground', FIRMNESSES),
  measuredTo: oneOf('Measured to', MEASURED_TO),
  /** What a monitor's carries are of; missing from what an older page kept. */
  carryAir: oneOf('Carry', CARRY_AIRS).default('flown'),
  order: oneOf('Order', ORDERS),
  /** Balls at one stock shot before the next; missing from what an older page kept. */
  block: boundedNumber('Block', ...BLOCK_RANGE, ' balls')
    .int({ error: 'Block must be a whole number of balls.' })
    .default(BALLS_AT_ONCE),
  /** A block ends after so many, once some are alike, or once the number is known well enough. */
  until: oneOf('Until', BLOCK_ENDS).default('count'),
  /** Where an order begins: full first with the longest or the most lofted club, one length with this one. */
  begin: oneOf('Begin', ['long', 'short'] as const).default('short'),
  beginRungId: Id.nullable().default(null),
  /** Balls are logged apart, and count from the moment this ends. */
  warmUp: z.boolean({ error: 'Warm-up is yes or no.' }).default(false),
  /** Stock shots that would decide what is open, or that a retest asks for, each with so many balls or with its own. */
  settle: z
    .strictObject({
      shots: z
        .array(z.strictObject({ clubId: Id, rungId: Id, balls: boundedNumber('Balls', ...BLOCK_RANGE, '').optional() }))
        .max(SETTLE_MAX),
      balls: boundedNumber('Balls', ...BLOCK_RANGE, ''),
      /** Missing where it is for what is open. */
      why: z.enum(['retest', 'own-balls'], { error: 'Why is retest, own-balls or missing.' }).optional(),
    })
    .nullable()
    .default(null),
  /** Balls there are; null when there is no end of them. */
  bucket: boundedNumber('Bucket', 1, BUCKET_MAX, ' balls')
    .int({ error: 'Bucket must be a whole number of balls.' })
    .nullable(),
  rangeId: Id.nullable(),
  targetId: Id.nullable(),
  /** What of it was sent to the player's link, as it was worded then; null where nothing was, or it was taken back. */
  told: z
    .strictObject({
      atMs: ClockTime('Sent'),
      lines: z
        .array(lineOfText('Line', TOLD_LINE), { error: 'Lines must be a list.' })
        .min(1, { error: 'Nothing was said.' })
        .max(TOLD_LINES, { error: `At most ${TOLD_LINES} lines can be sent.` }),
    })
    .nullable()
    .default(null),
  /** True when it was merged into another, or moved to another player: it is shown no more. */
  gone: z.boolean({ error: 'Gone is yes or no.' }),
})
export type SessionPlan = z.infer<typeof SessionPlan>

/** A range session as the browser makes it: sent once or ten times, it is there once. */
export const SessionRecord = z.object({
  id: Id,
  startedAtMs: ClockTime('Start'),
  endedAtMs: ClockTime('End').nullable(),
  method: oneOf('Method', METHODS),
  ball: oneOf('Ball', BALL_KINDS),
  surface: oneOf('Surface', SURFACES),
  /** Missing from what an older page kept: no air was taken then. */
  air: z
    .array(AirRecord, { error: 'Air must be a list.' })
    .max(AIRS_MAX, { error: `Air changed more than ${AIRS_MAX} times.` })
    .default([]),
  /** Missing from what an older page kept. */
  plan: SessionPlan.default(USUAL_PLAN),
  version: Version,
})
export type SessionRecord = z.infer<typeof SessionRecord>

const READING_WORDS: Record<ReadingName, [what: string, unit: string]> = {
  ballSpeedMs: ['Ball speed', ' m/s'],
  clubSpeedMs: ['Club speed', ' m/s'],
  launchDeg: ['Launch', '°'],
  directionDeg: ['Direction', '°'],
  spinRpm: ['Spin', ' rpm'],
  spinAxisDeg: ['Spin axis', '°'],
  descentDeg: ['Descent', '°'],
  apexM: ['Apex', ' m'],
  totalM: ['Total', ' m'],
  sideM: ['Side', ' m'],
}
const readingFields = Object.fromEntries(
  READING_NAMES.map(name => [
    name,
    boundedNumber(READING_WORDS[name][0], ...READING_RANGE[name], READING_WORDS[name][1]).optional(),
  ]),
)

/** What a device read of a ball beside its carry. */
export const ReadingsRecord = z.strictObject({
  ...(readingFields as Record<ReadingName, z.ZodOptional<z.ZodNumber>>),
  carryBasis: oneOf('Carry basis', CARRY_BASES).optional(),
})

const metres = (what: string, most = CARRY_MAX_M) => boundedNumber(what, 0, most, ' m')
const whole = (what: string, least: number, most: number) =>
  boundedNumber(what, least, most, '').int({ error: `${what} must be a whole number.` })

/** A mark of the coach's own. */
export const OwnMark = lineOfText('Mark', MARK_MAX).refine(mark => !mark.includes(BETWEEN_MARKS), {
  error: ({ input }) => `Mark ${quoted(input)} is not possible: it cannot have a "${BETWEEN_MARKS}".`,
})

/** How a distance was taken, as far as it is more than a figure; nothing of it is worked out. */
export const TakenRecord = z.strictObject({
  /** Set when the distance is to where it lies, on this ground. */
  lies: oneOf('Ground', FIRMNESSES).optional(),
  /** How far it pitched above the tee, where the ground is not level. */
  heightM: boundedNumber('Height', ...HEIGHT_RANGE_M, ' m').optional(),
  /** The swing length that was asked for, where the watcher saw another: it counts for what was swung. */
  askedRungId: Id.optional(),
  /** Of one pile measured twice, both ways are kept. */
  laserM: metres('Laser').optional(),
  steps: whole('Steps', 1, 1000).optional(),
  paceM: boundedNumber('Pace', PACE_MIN_M, PACE_MAX_M, ' m').optional(),
  /**
   * Where the front and the back of a pile lie, how wide it is, and balls of it that were known to be mishit and are
   * not in it.
   */
  frontM: metres('Front').optional(),
  backM: metres('Back').optional(),
  widthM: metres('Width').optional(),
  mishits: whole('Mishits', 0, BALLS_MAX).optional(),
  /** How the face was seen at the strike; such a ball counts. */
  face: oneOf('Face', FACES).optional(),
  /** Marks of the coach's own. */
  marks: z
    .array(OwnMark, { error: 'Marks must be a list.' })
    .max(OWN_MARKS_MAX, { error: `At most ${OWN_MARKS_MAX} marks can be on one ball.` })
    .optional(),
  /** How full it felt, per cent. */
  feltPercent: boundedNumber('How full it felt', ...FELT_RANGE, ' %').optional(),
  /** The target and the plus or minus that were called before it was hit. */
  called: z
    .strictObject({
      targetM: boundedNumber('Called target', CARRY_MIN_M, CARRY_MAX_M, ' m'),
      plusM: boundedNumber('Called plus or minus', ...PLUS_RANGE_M, ' m'),
    })
    .optional(),
  /** One standard deviation, of a watch's fixes or of two ways put together. */
  errorM: metres('Error', 100).optional(),
  /** The sign it was guessed against, as it was believed to stand then, and how far past it. */
  sign: z.strictObject({ id: Id, name: lineOfText('Sign', LABEL_LINE), distanceM: metres('Sign') }).optional(),
  offM: boundedNumber('Past the sign', -100, 100, ' m').optional(),
  /** What was added to the time that its device's clock said, which was wrong. */
  clockMs: ClockTime('Clock').optional(),
  /** Carries that stood here before they were mended, and readings that were mended with them. */
  was: z
    .array(
      z.strictObject({
        carryM: metres('Carry'),
        readings: ReadingsRecord.nullable().optional(),
        atMs: ClockTime('Mended'),
      }),
    )
    .max(20)
    .optional(),
})
export type TakenRecord = z.infer<typeof TakenRecord>

/** Why a ball cannot have come down there. */
export function heightFault(carryM: number, heightM: number): string {
  const away = `${Math.abs(heightM).toFixed(1)} m ${heightM > 0 ? 'above' : 'below'} the tee`
  return `A carry of ${carryM.toFixed(1)} m to ${away} is not possible: no ball comes down there.`
}

/** One ball as the browser logs it, and as it stands after each change. Deleting is marking. */
export const ShotRecord = z
  .object({
    id: Id,
    sessionId: Id,
    clubId: Id,
    rungId: Id,
    carryM: boundedNumber('Carry', CARRY_MIN_M, CARRY_MAX_M, ' m'),
    method: oneOf('Method', METHODS),
    balls: boundedNumber('Balls', 1, BALLS_MAX, '').int({ error: 'Balls must be a whole number.' }),
    hitAtMs: ClockTime('Time'),
    leftOut: lineOfText('Reason', REASON_MAX).nullable(),
    /** Missing from what an older page kept: nobody has called it then. */
    strike: oneOf('Strike', STRIKES).nullable().default(null),
    /** Missing from what an older page kept, and from what a person measured: a carry alone. */
    readings: ReadingsRecord.nullable().default(null),
    taken: TakenRecord.nullable().default(null),
    deleted: z.boolean({ error: 'Deleted is yes or no.' }),
    version: Version,
  })
  .superRefine(({ carryM, taken }, issues) => {
    const heightM = taken?.heightM ?? 0
    if (isPossibleHeight(carryM, heightM)) return
    issues.addIssue({ code: 'custom', path: ['taken', 'heightM'], message: heightFault(carryM, heightM) })
  })
export type ShotRecord = z.infer<typeof ShotRecord>

const listOf = <T extends z.ZodType>(shot: T) =>
  z
    .array(shot, { error: 'Shots must be a list.' })
    .max(SHOTS_PER_REQUEST, { error: `At most ${SHOTS_PER_REQUEST} shots can be sent at once.` })

export const ShotBatch = z.object({ shots: listOf(ShotRecord).min(1, { error: 'No shots were sent.' }) })

/** A lot of an import. The dates of a file are judged: they are what somebody wrote. */
export const ImportLot = z.object({
  sessions: z
    .array(SessionRecord.extend({ startedAtMs: Moment('Start'), endedAtMs: Moment('End').nullable() }), {
      error: 'Sessions must be a list.',
    })
    .max(SHOTS_PER_REQUEST, { error: `At most ${SHOTS_PER_REQUEST} sessions can be sent at once.` }),
  shots: listOf(ShotRecord.safeExtend({ hitAtMs: Moment('Time') })),
})
export type ShotBatch = z.infer<typeof ShotBatch>

/** Imported sessions: shown once all are there, or taken back. */
export const ImportDecision = z.object({
  sessionIds: z
    .array(Id, { error: 'Sessions must be a list of ids.' })
    .min(1, { error: 'No session was named.' })
    .max(2000, { error: 'At most 2000 sessions can be imported at once.' }),
  visible: z.boolean({ error: 'Visible is yes or no.' }),
})

/** A session of one player given to another. */
export const SessionMove = z.object({ toPlayerId: Id })
