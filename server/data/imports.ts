import { sql } from 'drizzle-orm'
import { retried } from '../db/retried'
import { sessions } from '../db/schema'
import type { Coach } from './coaches'
import { findPlayer } from './players'
import { columnsOf } from './sessions'
import { checkBelongings, insertAll } from './shots'
import type { SessionRecord, ShotRecord } from '../../shared/schemas/session'
import { useDatabase, usePool } from '../db/database'

/**
 * Puts a lot of an import, unseen. Ids are made of what the file says, so what is there already is the same; a ball of
 * an import that was taken back goes into this one.
 * @throws 404, 422 naming what is not the player's
 */
export async function stageLot(
  coach: Coach,
  playerId: string,
  newSessions: readonly SessionRecord[],
  shots: readonly ShotRecord[],
): Promise<void> {
  await findPlayer(coach, playerId)
  if (newSessions.length > 0) {
    await useDatabase()
      .insert(sessions)
      .values(
        newSessions.map(record => ({
          id: record.id,
          playerId,
          coachId: coach.id,
          ...columnsOf({ ...record, plan: { ...record.plan, gone: true } }),
        })),
      )
      .onDuplicateKeyUpdate({ set: { id: sql`id` } })
  }
  if (shots.length === 0) return
  await checkBelongings(coach, playerId, shots, undefined, true)
  await insertAll(
    playerId,
    shots.map(shot => ({ ...shot, deleted: true })),
    'on duplicate key update session_id = if(shots.deleted_at is not null and ' +
      'shots.player_id = values(player_id), values(session_id), shots.session_id)',
  )
}

/**
 * Shows imported sessions with all their balls, or hides them again, in one go.
 * @returns balls that were changed
 * @throws 404 when the player is not the coach's
 */
export async function showImport(
  coach: Coach,
  playerId: string,
  sessionIds: readonly string[],
  visible: boolean,
): Promise<number> {
  await findPlayer(coach, playerId)
  return retried(() => showSessions(playerId, sessionIds, visible))
}

async function showSessions(playerId: string, sessionIds: readonly string[], visible: boolean): Promise<number> {
  const connection = await usePool().getConnection()
  try {
    await connection.beginTransaction()
    const [balls] = await connection.query(
      `update shots set deleted_at = ${visible ? 'null' : 'current_timestamp(3)'}, version = version ` +
        `+ 1 where player_id = ? and session_id in (?) and deleted_at is ${visible ? 'not null' : 'null'}`,
      [playerId, sessionIds],
    )
    await connection.query(
      `update sessions set plan = json_set(plan, '$.gone', ${visible ? 'false' : 'true'}), ` +
        `version = version + 1 where player_id = ? and id in (?)`,
      [playerId, sessionIds],
    )
    await connection.commit()
    return (balls as { affectedRows: number }).affectedRows
  } catch (error) {
    await connection.rollback()
    throw error
  } finally {
    connection.release()
  }
}
