import { and, asc, desc, eq, inArray, isNull, sql } from 'drizzle-orm'
import { players, ranges, sessions, shots } from '../db/schema'
import { checkShared, SEEN, seenBy, type Coach } from './coaches'
import { seenPlayers } from './players'
import { CARRY_MAX_M, CARRY_MIN_M } from '../../core/limits'
import { placeOnRange } from '../../core/session/targets-on-line'
import type { RangeLandings } from '../../shared/range'
import type { RangeRecord, RangeTarget } from '../../shared/schemas/range'
import { isDuplicate } from '../db/database-errors'
import { useDatabase, usePool } from '../db/database'
import { NotFound, Stale } from './faults'

const columns = {
  id: ranges.id,
  name: ranges.name,
  altitudeM: ranges.altitudeM,
  bearingDeg: ranges.bearingDeg,
  firmness: ranges.firmness,
  targets: ranges.targets,
  archived: ranges.archived,
  version: ranges.version,
}
const own = (coach: Coach, rangeId: string) => and(eq(ranges.id, rangeId), eq(ranges.academyId, coach.academyId))

/** The academy's ranges, by name; archived ones too, since sessions still name them. */
export function rangesOf(coach: Coach): Promise<RangeRecord[]> {
  return useDatabase()
    .select(columns)
    .from(ranges)
    .where(eq(ranges.academyId, coach.academyId))
    .orderBy(asc(ranges.name), asc(ranges.id))
}

async function findRange(coach: Coach, rangeId: string): Promise<RangeRecord> {
  const [found] = await useDatabase().select(columns).from(ranges).where(own(coach, rangeId))
  if (!found) throw new NotFound('range')
  return found
}

/**
 * Puts a range; version n + 1 replaces version n. @throws 404 for another academy's, 409 when it was changed
 * elsewhere
 */
export async function putRange(coach: Coach, record: RangeRecord): Promise<RangeRecord> {
  const { id, version, ...fields } = record
  if (version === 1) {
    try {
      await useDatabase()
        .insert(ranges)
        .values({ id, academyId: coach.academyId, version, ...fields })
      return record
    } catch (error) {
      if (!isDuplicate(error)) throw error
    }
  }
  const known = await findRange(coach, id)
  if (JSON.stringify(known) === JSON.stringify(record)) return known
  checkShared(coach)
  const [done] = await useDatabase()
    .update(ranges)
    .set({ ...fields, version })
    .where(and(own(coach, id), eq(ranges.version, version - 1)))
  if (done.affectedRows === 0)
    throw new Stale('version', `${known.name} was changed on another page while this one was open.`, known)
  return record
}

/** The sign as it stands now. @throws 404 */
async function signOf(coach: Coach, rangeId: string, signId: string): Promise<RangeTarget> {
  const sign = (await findRange(coach, rangeId)).targets.find(target => target.id === signId)
  if (!sign) throw new NotFound('sign')
  return sign
}

const GUESSED = `from shots x join players p on p.id = x.player_id
  where p.academy_id = ? ${SEEN} and x.deleted_at is null and x.method = 'guess'
  and json_value(x.taken, '$.sign.id') = ? and abs(json_value(x.taken, '$.sign.distanceM') - ?) > 0.005`

/** How many guesses were made against this sign while it was believed to stand elsewhere. */
export async function countGuesses(coach: Coach, rangeId: string, signId: string): Promise<number> {
  const { distanceM } = await signOf(coach, rangeId, signId)
  const [rows] = await usePool().execute(`select count(*) as n ${GUESSED}`, [
    coach.academyId,
    ...seenBy(coach),
    signId,
    distanceM,
  ])
  return Number((rows as { n: number }[])[0]!.n)
}

/**
 * Counts those guesses anew from where the sign stands, of all players whom the coach sees. Mending the sign back
 * and counting again takes it back.
 * @returns how many were changed
 */
export async function recountGuesses(coach: Coach, rangeId: string, signId: string): Promise<number> {
  const { distanceM } = await signOf(coach, rangeId, signId)
  const [done] = await usePool().execute(
    `update shots x join players p on p.id = x.player_id
     set x.carry_m = least(?, greatest(?, ? + coalesce(json_value(x.taken, '$.offM'), 0))),
       x.taken = json_set(x.taken, '$.sign.distanceM', ?), x.version = x.version + 1
     where ${GUESSED.slice(GUESSED.indexOf('where') + 6)}`,
    [CARRY_MAX_M, CARRY_MIN_M, distanceM, distanceM, coach.academyId, ...seenBy(coach), signId, distanceM],
  )
  return (done as { affectedRows: number }).affectedRows
}

/** As many sessions are drawn, and as many balls of them: more are a blot. */
const SESSIONS_DRAWN = 12
const BALLS_DRAWN = 1500

/**
 * Where the balls of the newest sessions on a range pitched: single balls that count and whose side was measured,
 * newest session first. @throws 404
 */
export async function landingsOf(coach: Coach, rangeId: string): Promise<RangeLandings[]> {
  const { targets } = await findRange(coach, rangeId)
  const db = useDatabase()
  const hitHere = await db
    .select({ id: sessions.id, player: players.name, startedAt: sessions.startedAt, plan: sessions.plan })
    .from(sessions)
    .innerJoin(players, eq(players.id, sessions.playerId))
    .where(
      and(seenPlayers(coach), isNull(players.archivedAt), eq(sql`json_value(${sessions.plan}, '$.rangeId')`, rangeId)),
    )
    .orderBy(desc(sessions.startedAt), asc(sessions.id))
    .limit(SESSIONS_DRAWN)
  if (hitHere.length === 0) return []
  const balls = await db
    .select({ sessionId: shots.sessionId, carryM: shots.carryM, readings: shots.readings })
    .from(shots)
    .where(
      and(
        inArray(
          shots.sessionId,
          hitHere.map(({ id }) => id),
        ),
        isNull(shots.deletedAt),
        isNull(shots.leftOut),
        eq(shots.balls, 1),
        sql`json_exists(${shots.readings}, '$.sideM')`,
      ),
    )
    .orderBy(desc(shots.hitAt), asc(shots.id))
    .limit(BALLS_DRAWN)
  return hitHere.flatMap(({ id, player, startedAt, plan }) => {
    const lineDeg = targets.find(target => target.id === plan.targetId)?.rightDeg ?? 0
    const own = balls.flatMap(({ sessionId, carryM, readings }) =>
      sessionId === id && readings?.sideM !== undefined
        ? [placeOnRange({ carryM, sideM: readings.sideM }, lineDeg)]
        : [],
    )
    return own.length === 0 ? [] : [{ sessionId: id, player, startedAtMs: startedAt.getTime(), balls: own }]
  })
}
