import type { SessionRecord, ShotRecord } from './schemas/session'

/**
 * Times that a device's own clock says. A tablet's clock may be a day ahead or years behind: no ball is refused for it.
 * The page sets times right by what the server's answers tell it; what comes all the same from the future, or from
 * before anything was measured, is set right at the door.
 */

/**
 * The header in which every answer of the server says its time, milliseconds since 1970; by it an answer is known as
 * ours.
 */
export const SERVER_TIME_HEADER = 'x-uzzet-now'

/** A clock that is off by less is right enough. */
export const CLOCK_GOOD_MS = 120_000
const FIRST_MS = 946_684_800_000

/** False for a time that nothing can have happened at yet, or that lies before the year 2000. */
export function isPossibleTime(ms: number, nowMs: number): boolean {
  return ms >= FIRST_MS && ms <= nowMs + CLOCK_GOOD_MS
}

/** The time itself, or, where it cannot be, the one that is on record, or now. */
export function possibleTime(ms: number, knownMs: number | undefined, nowMs: number): number {
  return isPossibleTime(ms, nowMs) ? ms : (knownMs ?? nowMs)
}

/** A ball with a time that can be, and what was added to what its device said. Sent again it is the same. */
export function shotTimeRight(shot: ShotRecord, known: ShotRecord | undefined, nowMs: number): ShotRecord {
  if (isPossibleTime(shot.hitAtMs, nowMs)) return shot
  const hitAtMs = known?.hitAtMs ?? nowMs
  const clockMs = known ? known.taken?.clockMs : hitAtMs - shot.hitAtMs
  return { ...shot, hitAtMs, taken: clockMs === undefined ? shot.taken : { ...shot.taken, clockMs } }
}

/** A session with times that can be. */
export function sessionTimesRight(
  session: SessionRecord,
  known: SessionRecord | undefined,
  nowMs: number,
): SessionRecord {
  const { startedAtMs, endedAtMs, air } = session
  return {
    ...session,
    startedAtMs: possibleTime(startedAtMs, known?.startedAtMs, nowMs),
    endedAtMs: endedAtMs === null ? null : possibleTime(endedAtMs, known?.endedAtMs ?? undefined, nowMs),
    air: air.map((entry, i) => ({ ...entry, fromMs: possibleTime(entry.fromMs, known?.air[i]?.fromMs, nowMs) })),
  }
}
