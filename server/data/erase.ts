import { and, count, eq, isNotNull, lt, sql } from 'drizzle-orm'
import {
  academies,
  cellRemarks,
  changes,
  clubs,
  deviceAims,
  erasures,
  flagAnswers,
  goes,
  homework,
  ownBalls,
  playerLinks,
  players,
  publishedCharts,
  rounds,
  rungs,
  sessions,
  shots,
  struckOut,
  whatIfs,
} from '../db/schema'
import { ERASABLE_AFTER_DAYS, KEEP_AFTER_HOURS } from '../../shared/keep-times'
import { transaction, useDatabase, type Transaction } from '../db/database'
import type { Coach } from './coaches'
import { NotFound, Unfit } from './faults'
import { ownPlayer } from './players'

const DAY_MS = 86_400_000

/** All that a player's record is made of, in the order in which it can go: what leads somewhere goes first. */
const PARTS = [
  changes,
  shots,
  ownBalls,
  playerLinks,
  deviceAims,
  cellRemarks,
  struckOut,
  flagAnswers,
  whatIfs,
  goes,
  homework,
  rounds,
  publishedCharts,
  sessions,
  clubs,
  rungs,
] as const

/**
 * Erases a player who has been archived long enough. Nothing is kept but the id, so that a restored copy can be told
 * whom it must forget again.
 * @throws 404; 422 with the day from which on it can be done
 */
export async function erasePlayer(coach: Coach, playerId: string): Promise<void> {
  const [row] = await useDatabase()
    .select({ name: players.name, archivedAt: players.archivedAt })
    .from(players)
    .where(ownPlayer(coach, playerId))
  if (!row) throw new NotFound('player')
  if (!row.archivedAt) throw new Unfit(`${row.name} is not archived: archive a player first.`)
  const fromMs = row.archivedAt.getTime() + ERASABLE_AFTER_DAYS * DAY_MS
  if (fromMs > Date.now())
    throw new Unfit(
      `${row.name} can be erased ${ERASABLE_AFTER_DAYS} days after being archived, ` +
        `from ${new Date(fromMs).toISOString().slice(0, 10)} on.`,
    )
  await transaction(tx => eraseAll(tx, { playerId, academyId: coach.academyId, erasedBy: coach.id }))
}

async function eraseAll(tx: Transaction, one: { playerId: string; academyId: string; erasedBy: string }) {
  for (const part of PARTS) await tx.delete(part).where(eq(part.playerId, one.playerId))
  await tx.delete(players).where(and(eq(players.id, one.playerId), eq(players.academyId, one.academyId)))
  await tx.insert(erasures).values({ ...one, erasedAt: new Date() })
}

/** Archived players who are kept no longer, by what their academy's owner chose a day ago or more. */
const overdue = () =>
  and(
    isNotNull(academies.keepMonths),
    lt(academies.keepSetAt, new Date(Date.now() - KEEP_AFTER_HOURS * 3_600_000)),
    sql`${players.archivedAt} < utc_timestamp(3) - interval ${academies.keepMonths} month`,
  )

/** Erases one who is kept no longer; who was taken out of the archive meanwhile stays. */
const eraseIfOverdue = (playerId: string) =>
  transaction(async tx => {
    const [still] = await tx
      .select({ academyId: academies.id, erasedBy: academies.keepSetBy })
      .from(players)
      .innerJoin(academies, eq(academies.id, players.academyId))
      .where(and(eq(players.id, playerId), overdue()))
      .for('update')
    if (!still?.erasedBy) return 0
    await eraseAll(tx, { playerId, academyId: still.academyId, erasedBy: still.erasedBy })
    return 1
  })

/**
 * Erases everybody who is kept no longer. One who cannot be erased now holds up nobody: the next hour tries again.
 * @returns how many went, and why others did not
 */
export async function eraseOverdue(): Promise<{ gone: number; failures: Error[] }> {
  const found = await useDatabase()
    .select({ playerId: players.id })
    .from(players)
    .innerJoin(academies, eq(academies.id, players.academyId))
    .where(overdue())
  let gone = 0
  const failures: Error[] = []
  for (const { playerId } of found) {
    try {
      gone += await eraseIfOverdue(playerId)
    } catch (error) {
      failures.push(error as Error)
    }
  }
  return { gone, failures }
}

/** Archived players of an academy who were archived longer ago than it keeps them. */
export async function countOverdue(academyId: string): Promise<number> {
  const [row] = await useDatabase()
    .select({ n: count() })
    .from(players)
    .innerJoin(academies, eq(academies.id, players.academyId))
    .where(
      and(
        eq(academies.id, academyId),
        sql`${players.archivedAt} < utc_timestamp(3) - interval ${academies.keepMonths} month`,
      ),
    )
  return row!.n
}
