import { and, eq, inArray, sql } from 'drizzle-orm'
import { players, shots, type ShotCount } from '../db/schema'
import { useDatabase } from '../db/database'
import type { Coach } from './coaches'
import { SETTLED_S } from './shot-columns'

/** So many players are counted with one statement, which stays far from its time limit. */
const AT_ONCE = 25

/** A player on the list: what was counted last, and what the sessions say now. */
interface Counted {
  id: string
  shotCount: ShotCount | null
  sessions: string | null
}

/** When a ball of each player was changed last: one look into an index a player, however many balls there are. */
async function newestChanges(ids: string[]): Promise<Map<string, { at: string; settled: boolean }>> {
  // "max" would read every ball of theirs; the last of an index that is in order is one row.
  const newest = sql`(
    select ${shots.changedAt} from ${shots} where ${shots.playerId} = ${players.id}
    order by ${shots.changedAt} desc limit 1
  )`
  const changes = useDatabase()
    .select({ id: players.id, at: sql<string | null>`${newest}`.as('newest') })
    .from(players)
    .where(inArray(players.id, ids))
    .as('changes')
  const rows = await useDatabase()
    .select({
      id: changes.id,
      at: sql<string | null>`date_format(newest, '%Y-%m-%d %H:%i:%s.%f')`,
      // One that is younger may be followed by one that began before it: such a count is not kept.
      settled: sql<number>`newest < now(3) - interval ${sql.raw(String(SETTLED_S))} second`,
    })
    .from(changes)
  return new Map(rows.flatMap(({ id, at, settled }) => (at ? [[id, { at, settled: settled === 1 }]] : [])))
}

async function count(ids: string[]) {
  return useDatabase()
    .select({
      playerId: shots.playerId,
      balls: sql<string>`sum(if(${shots.deletedAt} is null, ${shots.balls}, 0))`,
      lastHit: sql<string | null>`max(if(${shots.deletedAt} is null, ${shots.hitAt}, null))`,
      // A new ball adds one to the count, a change one to the sum of the versions.
      stamp: sql<string>`concat(count(*), ' ', sum(${shots.version}))`,
    })
    .from(shots)
    .where(inArray(shots.playerId, ids))
    .groupBy(shots.playerId)
}

/**
 * Balls of these players of the coach, counted anew for those alone of whom one was changed since.
 * @returns by player; who never hit one is missing
 */
export async function shotCounts(coach: Coach, list: readonly Counted[]): Promise<Map<string, ShotCount>> {
  if (list.length === 0) return new Map()
  const newest = await newestChanges(list.map(({ id }) => id))
  const counts = new Map<string, ShotCount>()
  const stale: string[] = []
  const sessionsOf = new Map(list.map(({ id, sessions }) => [id, sessions ?? '']))
  for (const { id, shotCount } of list) {
    const change = newest.get(id)
    // A session that went to another player took its balls along: the sessions say so.
    if (shotCount && shotCount.changedAt === change?.at && shotCount.sessions === sessionsOf.get(id))
      counts.set(id, shotCount)
    else if (change) stale.push(id)
  }
  for (let from = 0; from < stale.length; from += AT_ONCE)
    for (const { playerId, balls, lastHit, stamp } of await count(stale.slice(from, from + AT_ONCE))) {
      const { at, settled } = newest.get(playerId)!
      const lastHitMs = lastHit === null ? null : new Date(lastHit).getTime()
      const shotCount = { changedAt: at, sessions: sessionsOf.get(playerId)!, stamp, balls: Number(balls), lastHitMs }
      counts.set(playerId, shotCount)
      if (settled)
        await useDatabase()
          .update(players)
          .set({ shotCount })
          .where(and(eq(players.id, playerId), eq(players.academyId, coach.academyId)))
    }
  return counts
}
