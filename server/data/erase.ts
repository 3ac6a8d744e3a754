import { eq } from 'drizzle-orm'
import {
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
import { ERASABLE_AFTER_DAYS } from '../../shared/keep-times'
import { transaction, useDatabase } from '../db/database'
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
  await transaction(async tx => {
    for (const part of PARTS) await tx.delete(part).where(eq(part.playerId, playerId))
    await tx.delete(players).where(ownPlayer(coach, playerId))
    await tx.insert(erasures).values({ playerId, academyId: coach.academyId, erasedBy: coach.id, erasedAt: new Date() })
  })
}
