import { and, desc, eq, inArray, sql } from 'drizzle-orm'
import { deviceAims, players, ranges, sessions } from '../db/schema'
import type { Coach } from './coaches'
import { findPlayer } from './players'
import { sessionTimesRight } from '../../shared/clock'
import type { RangeTarget } from '../../shared/schemas/range'
import { USUAL_PLAN } from '../../shared/choices'
import type { SessionPlan, SessionRecord } from '../../shared/schemas/session'
import { isDuplicate } from '../db/database-errors'
import { useDatabase } from '../db/database'
import { NotFound, Stale, Taken } from './faults'

export function toSession(row: typeof sessions.$inferSelect): SessionRecord {
  const { id, startedAt, endedAt, method, ball, surface, air, plan, version } = row
  return {
    id,
    startedAtMs: startedAt.getTime(),
    endedAtMs: endedAt?.getTime() ?? null,
    method,
    ball,
    surface,
    air,
    plan: { ...USUAL_PLAN, ...plan },
    version,
  }
}

export function columnsOf({ startedAtMs, endedAtMs, method, ball, surface, air, plan, version }: SessionRecord) {
  return {
    startedAt: new Date(startedAtMs),
    endedAt: endedAtMs === null ? null : new Date(endedAtMs),
    method,
    ball,
    surface,
    air,
    plan,
    version,
  }
}

/** @throws 404 when the session is not this player's, or the player not the coach's */
export async function sessionIsOwn(coach: Coach, playerId: string, sessionId: string): Promise<void> {
  await findPlayer(coach, playerId)
  const [row] = await useDatabase()
    .select({ id: sessions.id })
    .from(sessions)
    .where(and(eq(sessions.id, sessionId), eq(sessions.playerId, playerId)))
  if (!row) throw new NotFound('session')
}

/** What was sent of the newest session of which anything was; undefined without any. */
export async function toldOf(playerId: string): Promise<SessionPlan['told'] | undefined> {
  const [row] = await useDatabase()
    .select({ plan: sessions.plan })
    .from(sessions)
    .where(
      and(
        eq(sessions.playerId, playerId),
        sql`json_type(json_extract(${sessions.plan}, '$.told')) = 'OBJECT'`,
        sql`json_value(${sessions.plan}, '$.gone') = 0`,
      ),
    )
    .orderBy(desc(sessions.startedAt))
    .limit(1)
  return row?.plan.told
}

/** Until when a session takes balls of a device, null while it runs, and what it aims at. */
interface Listening {
  endedAtMs: number | null
  target: RangeTarget | undefined
  /** Its balls are kept apart until the coach says that it counts. */
  warmUp: boolean
}

/** Of these sessions those of the academy. */
export async function listeningSessions(
  { academyId }: { academyId: string },
  ids: readonly string[],
): Promise<Map<string, Listening>> {
  if (ids.length === 0) return new Map()
  const rows = await useDatabase()
    .select({ id: sessions.id, endedAt: sessions.endedAt, plan: sessions.plan, targets: ranges.targets })
    .from(sessions)
    .innerJoin(players, eq(players.id, sessions.playerId))
    .leftJoin(
      ranges,
      and(eq(ranges.academyId, academyId), eq(ranges.id, sql`json_value(${sessions.plan}, '$.rangeId')`)),
    )
    .where(and(inArray(sessions.id, [...new Set(ids)]), eq(players.academyId, academyId)))
  return new Map(
    rows.map(({ id, endedAt, plan, targets }) => [
      id,
      {
        endedAtMs: endedAt?.getTime() ?? null,
        target: targets?.find(target => target.id === plan.targetId),
        warmUp: plan.warmUp === true,
      },
    ]),
  )
}

/**
 * Puts a session as the browser knows it. Sent twice it is there once; version n + 1 replaces version n.
 * @throws 404, or 409 when it was changed elsewhere or the id is another player's
 */
export async function putSession(coach: Coach, playerId: string, sent: SessionRecord): Promise<SessionRecord> {
  const db = useDatabase()
  const nowMs = Date.now()
  await findPlayer(coach, playerId)
  const [there] = await db
    .select({ session: sessions, academyId: players.academyId })
    .from(sessions)
    .innerJoin(players, eq(players.id, sessions.playerId))
    .where(eq(sessions.id, sent.id))
  if (!there) {
    const record = sessionTimesRight(sent, undefined, nowMs)
    try {
      await db.insert(sessions).values({ id: record.id, playerId, coachId: coach.id, ...columnsOf(record) })
    } catch (error) {
      // The same session twice at once: the first is there now, and it is the same.
      if (!isDuplicate(error)) throw error
    }
    return record
  }
  if (there.session.playerId !== playerId) throw new Taken()
  const known = toSession(there.session)
  const record = sessionTimesRight(sent, known, nowMs)
  if (JSON.stringify(known) === JSON.stringify(record)) return known
  const [done] = await db
    .update(sessions)
    .set(columnsOf(record))
    .where(and(eq(sessions.id, record.id), eq(sessions.playerId, playerId), eq(sessions.version, record.version - 1)))
  if (done.affectedRows === 0) throw new Stale('version', 'This session was changed on another device.', known)
  // A device that is aimed at it would fill what nobody sees.
  if (record.plan.gone)
    await db
      .update(deviceAims)
      .set({ playerId: null, sessionId: null, clubId: null, rungId: null })
      .where(eq(deviceAims.sessionId, record.id))
  return record
}
