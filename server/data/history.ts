import { and, desc, eq, gt, isNull, lt, sql } from 'drizzle-orm'
import { changes, coaches } from '../db/schema'
import { HISTORY_LINES, type ChangeOfRecord, type HistoryLine } from '../../core/history/record-change'
import { useDatabase } from '../db/database'
import { describeError } from '../db/database-errors'
import { log } from '../log'
import type { Coach } from './coaches'
import { findPlayer } from './players'

/** The same again within this is one line. */
const ONE_LINE_MS = 10 * 60_000

async function writeDown(coachId: string | null, playerId: string, kind: ChangeOfRecord, times = 1): Promise<void> {
  const now = new Date()
  const [done] = await useDatabase()
    .update(changes)
    .set({ times: sql`${changes.times} + ${times}`, lastAt: now })
    .where(
      and(
        eq(changes.playerId, playerId),
        coachId === null ? isNull(changes.coachId) : eq(changes.coachId, coachId),
        eq(changes.kind, kind),
        gt(changes.lastAt, new Date(now.getTime() - ONE_LINE_MS)),
      ),
    )
    .orderBy(desc(changes.id))
    .limit(1)
  if (done.affectedRows > 0) return
  await useDatabase().insert(changes).values({ playerId, coachId, kind, times, beganAt: now, lastAt: now })
}

let last: Promise<void> = Promise.resolve()

/**
 * Writes down that something of a player was changed: behind what was done, which neither waits for it nor fails by it,
 * and one after the other, so that two balls of one moment are one line.
 * @param coachId null for a device, or for the player
 */
export function noteChange(...change: Parameters<typeof writeDown>): void {
  last = last
    .then(() => writeDown(...change))
    .catch((error: unknown) => log.error(`history of a player: ${describeError(error)}`))
}

/**
 * A player's history, newest first.
 * @param before the last line that is known already
 * @throws 404
 */
export async function historyOf(coach: Coach, playerId: string, before?: number): Promise<HistoryLine[]> {
  await findPlayer(coach, playerId)
  const rows = await useDatabase()
    .select({ change: changes, by: coaches.name })
    .from(changes)
    .leftJoin(coaches, eq(coaches.id, changes.coachId))
    .where(and(eq(changes.playerId, playerId), before === undefined ? undefined : lt(changes.id, before)))
    .orderBy(desc(changes.id))
    .limit(HISTORY_LINES)
  return rows.map(({ change: { id, kind, times, beganAt, lastAt }, by }) => ({
    id,
    kind,
    by,
    times,
    beganAtMs: beganAt.getTime(),
    lastAtMs: lastAt.getTime(),
  }))
}
