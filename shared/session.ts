import { z } from 'zod'
import { BALLS_MAX, CARRY_MAX_M, CARRY_MIN_M, REASON_MAX } from '../core/limits'
import { AIR_RANGE } from '../core/flight/air'
import type { AirEntry } from '../core/flight/session-air'
import { METHODS, STRIKES, type Session, type Shot } from '../core/shot/shot'
import { boundedNumber, Id, lineOfText, oneOf, quoted, Version } from './text'

export const BALL_KINDS = ['own', 'range'] as const
export const SURFACES = ['grass', 'mat'] as const

export const METHOD_WORDS: Record<typeof METHODS[number], string> = {
  monitor: 'Launch monitor', laser: 'Laser', paces: 'Paces', watch: 'Watch', guess: 'Guess by the signs',
}

export const WINDS_JUDGED = ['calm', 'felt', 'meter', 'report'] as const satisfies readonly AirEntry['wind']['judged'][]
export const GROUNDS = ['open', 'some', 'enclosed'] as const satisfies readonly AirEntry['ground'][]

function clockFault({ input }: { input?: unknown }): string {
  return `Wind from ${quoted(input)} o'clock is not possible: more than 0 to 12 is allowed, 12 in the face, 3 from the right.`
}

/** Milliseconds of a believable day: from 2000 to a day ahead, since a tablet's clock may be off. */
const Moment = (what: string) => z
  .number({ error: `${what} must be a time in milliseconds.` })
  .int({ error: `${what} must be a time in whole milliseconds.` })
  .min(946_684_800_000, { error: `${what} lies before the year 2000.` })
  .refine(ms => ms <= Date.now() + 86_400_000, { error: `${what} lies in the future: check this device's clock.` })

/** Air of a session from a moment on. */
export const AirRecord = z.object({
  fromMs: Moment('Air'),
  tempC: boundedNumber('Temperature', ...AIR_RANGE.tempC, ' °C'),
  humidity: boundedNumber('Humidity', ...AIR_RANGE.humidity, ''),
  altitudeM: boundedNumber('Altitude', ...AIR_RANGE.altitudeM, ' m'),
  qnhPa: boundedNumber('Pressure', ...AIR_RANGE.qnhPa, ' Pa').nullable(),
  wind: z.object({
    speedMs: boundedNumber('Wind', ...AIR_RANGE.windMs, ' m/s'),
    clock: z.number({ error: 'Wind must be from an hour of the clock.' }).gt(0, { error: clockFault }).max(12, { error: clockFault }),
    judged: oneOf('Wind judged by', WINDS_JUDGED),
  }, { error: 'The wind is missing.' }),
  ground: oneOf('Ground', GROUNDS),
})
export type AirRecord = z.infer<typeof AirRecord>

/** A range session as the browser makes it: sent once or ten times, it is there once. */
export const SessionRecord = z.object({
  id: Id,
  startedAtMs: Moment('Start'),
  endedAtMs: Moment('End').nullable(),
  method: oneOf('Method', METHODS),
  ball: oneOf('Ball', BALL_KINDS),
  surface: oneOf('Surface', SURFACES),
  /** Missing from what an older page kept: no air was taken then. */
  air: z.array(AirRecord, { error: 'Air must be a list.' }).max(50, { error: 'Air changed more than 50 times.' }).default([]),
  version: Version,
})
export type SessionRecord = z.infer<typeof SessionRecord>

/** One ball as the browser logs it, and as it stands after each change. Deleting is marking. */
export const ShotRecord = z.object({
  id: Id,
  sessionId: Id,
  clubId: Id,
  rungId: Id,
  carryM: boundedNumber('Carry', CARRY_MIN_M, CARRY_MAX_M, ' m'),
  method: oneOf('Method', METHODS),
  balls: boundedNumber('Balls', 1, BALLS_MAX, '').int({ error: 'Balls must be a whole number.' }),
  hitAtMs: Moment('Time'),
  leftOut: lineOfText('Reason', REASON_MAX).nullable(),
  /** Missing from what an older page kept: nobody has called it then. */
  strike: oneOf('Strike', STRIKES).nullable().default(null),
  deleted: z.boolean({ error: 'Deleted is yes or no.' }),
  version: Version,
})
export type ShotRecord = z.infer<typeof ShotRecord>

/** Most shots that one request may bring. */
export const SHOTS_PER_REQUEST = 500

export const ShotBatch = z.object({
  shots: z.array(ShotRecord, { error: 'Shots must be a list.' })
    .min(1, { error: 'No shots were sent.' })
    .max(SHOTS_PER_REQUEST, { error: `At most ${SHOTS_PER_REQUEST} shots can be sent at once.` }),
})
export type ShotBatch = z.infer<typeof ShotBatch>

/** A record as the core reads it. */
export function toShot(record: ShotRecord): Shot {
  const { id, sessionId, clubId, rungId, carryM, method, balls, hitAtMs, leftOut, strike } = record
  return { id, sessionId, clubId, rungId, carryM, method, balls, hitAtMs, leftOut, strike }
}

export function toSession({ id, startedAtMs, method, ball, air }: SessionRecord): Session {
  return { id, startedAtMs, method, ball, air }
}
