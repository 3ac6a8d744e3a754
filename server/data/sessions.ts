import { and, count, desc, eq, inArray, isNull, sql } from 'drizzle-orm'
import { deviceAims, players, ranges, sessions, shots } from '../db/schema'
import type { Coach } from './coaches'
import { findPlayer } from './players'
import { sessionTimesRight } from '../../shared/clock'
import type { RangeTarget } from '../../shared/schemas/range'
import { USUAL_PLAN } from '../../shared/choices'
import type { SessionPlan, SessionRecord } from '../../shared/schemas/session'
import { isDuplicate } from '../db/database-errors'
import { transaction, useDatabase, usePool, type Transaction } from '../db/database'
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

/** One version more, so that it counts on the screen that thinks it gone. */
const shownAgain = (record: SessionRecord): SessionRecord => ({
  ...record,
  plan: { ...record.plan, gone: false },
  version: record.version + 1,
})

/**
 * Puts the next version of a session; one that has balls is shown, whatever the record says.
 * @returns as it is kept; null when it is no next version
 */
async function replaceSession(tx: Transaction, playerId: string, record: SessionRecord): Promise<SessionRecord | null> {
  const own = and(eq(sessions.id, record.id), eq(sessions.playerId, playerId))
  const [done] = await tx
    .update(sessions)
    .set(columnsOf(record))
    .where(and(own, eq(sessions.version, record.version - 1)))
  if (done.affectedRows === 0) return null
  if (!record.plan.gone) return record
  // The row is held from here on. A ball that was kept before is counted here; one that is kept later finds the
  // session gone, or shows it again.
  const [left] = await tx
    .select({ n: count() })
    .from(shots)
    .where(and(eq(shots.sessionId, record.id), isNull(shots.deletedAt)))
  if (left!.n === 0) {
    // A device that is aimed at it would fill what nobody sees.
    await tx
      .update(deviceAims)
      .set({ playerId: null, sessionId: null, clubId: null, rungId: null })
      .where(eq(deviceAims.sessionId, record.id))
    return record
  }
  const back = shownAgain(record)
  await tx.update(sessions).set(columnsOf(back)).where(own)
  return back
}

/**
 * Shows sessions again that were merged away while balls came into them: no ball lies where nobody sees it.
 * @param ids sessions into which balls were put just now
 */
export async function showAgain(playerId: string, ids: readonly string[]): Promise<void> {
  if (ids.length === 0) return
  await usePool().query(
    `update sessions set plan = json_set(plan, '$.gone', false), version = version + 1
    where player_id = ? and id in (?) and json_value(plan, '$.gone') = 1
      and exists (select 1 from shots b where b.session_id = sessions.id and b.deleted_at is null)`,
    [playerId, [...new Set(ids)]],
  )
}

/**
 * Puts a session as the browser knows it. Sent twice it is there once; version n + 1 replaces version n.
 * @returns as it is kept: one that is to be gone and has balls stays, in a version of its own
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
  // Sent again after its answer was lost: it stayed then, and stays.
  if (record.plan.gone && JSON.stringify(known) === JSON.stringify(shownAgain(record))) return known
  const put = await transaction(tx => replaceSession(tx, playerId, record))
  if (!put) throw new Stale('version', 'This session was changed on another device.', known)
  return put
}
