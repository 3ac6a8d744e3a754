import { and, asc, eq, inArray, sql } from 'drizzle-orm'
import { dayOf } from '../../core/shot/player-shots'
import { cellRemarks, clubs, flagAnswers, goes, players, publishedCharts, rounds, sessions } from '../db/schema'
import { academyThresholdsOf, type Coach } from './coaches'
import { playerColumns, seenPlayers, toPlayer } from './players'
import { shotCounts } from './shot-counts'
import { renewSummaries } from './summaries'
import { PLAYERS_A_PAGE } from '../../shared/pages'
import type { PlayerLine } from '../../shared/player'
import { useDatabase } from '../db/database'

/** Rows of one player in a table that is only ever added to. */
const saidCount = (table: typeof cellRemarks | typeof flagAnswers | typeof publishedCharts) =>
  sql`(select count(*) from ${table} where ${table.playerId} = ${players.id})`

/**
 * What a summary is made from: every ball ever, whether changed or deleted, the sessions with their air, practice, the
 * bag, the player, what was said, and the day.
 */
function stampOf(row: {
  version: number
  bagVersion: number
  shots: string | null
  sessions: string | null
  goes: string | null
  rounds: string | null
  said: number
  academy: string
}): string {
  return (
    `${dayOf(Date.now())} ${row.version} ${row.bagVersion} ` +
    `${row.shots ?? 0} ${row.sessions ?? 0} ${row.goes ?? 0} ${row.rounds ?? 0} ${row.said} ${row.academy}`
  )
}

const placeOf = { name: players.name, id: players.id }

/** The players of one page, by name. */
async function pageOf(coach: Coach, after: string | undefined): Promise<string[]> {
  const db = useDatabase()
  const [before] = after
    ? await db
        .select(placeOf)
        .from(players)
        .where(and(seenPlayers(coach), eq(players.id, after)))
    : []
  // Who was the last of the page before may be gone by now: the list begins anew, and whoever asks knows its players.
  const behind = before && sql`(${players.name}, ${players.id}) > (${before.name}, ${before.id})`
  const rows = await db
    .select(placeOf)
    .from(players)
    .where(and(seenPlayers(coach), behind))
    .orderBy(asc(players.name), asc(players.id))
    .limit(PLAYERS_A_PAGE)
  return rows.map(({ id }) => id)
}

/** How many rows a player has in a table, and the sum of their versions: a new one changes one, a change the other. */
function countOf(table: typeof sessions | typeof goes | typeof rounds, ids: string[], name: string) {
  return useDatabase()
    .select({
      playerId: table.playerId,
      stamp: sql<string>`concat(count(*), ' ', sum(${table.version}))`.as(`${name}_stamp`),
    })
    .from(table)
    .where(inArray(table.playerId, ids))
    .groupBy(table.playerId)
    .as(`${name}_counts`)
}

/**
 * One page of the players that a coach sees, by name, archived ones too, with what the list tells of each. What is
 * counted is counted for the page alone, whatever else the tables hold.
 * @param after the last player of the page before; missing for the first page
 */
export async function listPlayers(coach: Coach, after?: string): Promise<PlayerLine[]> {
  const db = useDatabase()
  const ids = await pageOf(coach, after)
  if (ids.length === 0) return []
  const clubCounts = db
    .select({ playerId: clubs.playerId, n: sql<number>`count(*)`.as('club_count') })
    .from(clubs)
    .where(and(eq(clubs.retired, false), inArray(clubs.playerId, ids)))
    .groupBy(clubs.playerId)
    .as('club_counts')
  const sessionCounts = countOf(sessions, ids, 'session')
  const goCounts = countOf(goes, ids, 'go')
  const roundCounts = countOf(rounds, ids, 'round')
  const rows = await db
    .select({
      ...playerColumns,
      summary: players.summary,
      clubs: clubCounts.n,
      shotCount: players.shotCount,
      sessions: sessionCounts.stamp,
      goes: goCounts.stamp,
      rounds: roundCounts.stamp,
      said: sql<number>`(
        ${saidCount(cellRemarks)} + ${saidCount(flagAnswers)} + ${saidCount(publishedCharts)}
      )`.mapWith(Number),
    })
    .from(players)
    .leftJoin(clubCounts, eq(clubCounts.playerId, players.id))
    .leftJoin(sessionCounts, eq(sessionCounts.playerId, players.id))
    .leftJoin(goCounts, eq(goCounts.playerId, players.id))
    .leftJoin(roundCounts, eq(roundCounts.playerId, players.id))
    .where(and(seenPlayers(coach), inArray(players.id, ids)))
    .orderBy(asc(players.name), asc(players.id))
  const shotsOf = await shotCounts(coach, rows)
  // Sayings, answers and charts are only ever added; of the academy's figures there are few.
  const academy = JSON.stringify(await academyThresholdsOf(coach))
  const stamped = new Map(
    rows.map(row => [row.id, stampOf({ ...row, shots: shotsOf.get(row.id)?.stamp ?? null, academy })]),
  )
  const stale = rows.filter(
    row =>
      row.archivedAt === null &&
      row.clubs !== null &&
      shotsOf.has(row.id) &&
      row.summary?.stamp !== stamped.get(row.id),
  )
  const renewed = await renewSummaries(
    coach,
    stale.map(row => ({ id: row.id, stamp: stamped.get(row.id)! })),
  )
  return rows.map(row => ({
    ...toPlayer(row),
    school: row.school,
    clubs: row.clubs ?? 0,
    balls: shotsOf.get(row.id)?.balls ?? 0,
    lastHitMs: shotsOf.get(row.id)?.lastHitMs ?? null,
    // Yesterday's summary is shown rather than none while today's is worked out.
    summary: renewed.get(row.id) ?? row.summary ?? null,
  }))
}
