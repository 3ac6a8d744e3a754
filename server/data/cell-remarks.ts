import { and, asc, eq } from 'drizzle-orm'
import { cellRemarks, clubs, rungs } from '../db/schema'
import type { Coach } from './coaches'
import { findPlayer } from './players'
import { possibleTime } from '../../shared/clock'
import type { CellRemarkRecord } from '../../shared/schemas/cell-remark'
import { isDuplicate } from '../db/database-errors'
import { useDatabase } from '../db/database'
import { Taken, Unfit } from './faults'

function toWord(row: typeof cellRemarks.$inferSelect): CellRemarkRecord {
  const { id, clubId, rungId, kind, carryM, carryToM, why, saidAt, holds } = row
  // Left away where it is none, as a page of before sent it.
  const span = carryToM === null ? {} : { carryToM }
  return { id, clubId, rungId, kind, carryM, ...span, why, saidAtMs: saidAt.getTime(), holds }
}

/** Everything said of a player's stock shots, oldest first, of a player that the caller has found to be the coach's. */
export async function wordsOf(playerId: string): Promise<CellRemarkRecord[]> {
  return (
    await useDatabase()
      .select()
      .from(cellRemarks)
      .where(eq(cellRemarks.playerId, playerId))
      .orderBy(asc(cellRemarks.saidAt), asc(cellRemarks.id))
  ).map(toWord)
}

/**
 * Adds a saying; sent twice it is there once.
 * @throws 404; 409 when the id is another's; 422 when the stock shot is not of this player's bag
 */
export async function addWord(coach: Coach, playerId: string, word: CellRemarkRecord): Promise<CellRemarkRecord> {
  const db = useDatabase()
  await findPlayer(coach, playerId)
  const [[club], [rung]] = await Promise.all([
    db
      .select({ id: clubs.id })
      .from(clubs)
      .where(and(eq(clubs.id, word.clubId), eq(clubs.playerId, playerId))),
    db
      .select({ id: rungs.id })
      .from(rungs)
      .where(and(eq(rungs.id, word.rungId), eq(rungs.playerId, playerId))),
  ])
  if (!club || !rung)
    throw new Unfit("This stock shot is not in the player's bag any more.", [
      { field: club ? 'rungId' : 'clubId', message: "It is not in the player's bag any more." },
    ])
  const { saidAtMs, ...rest } = word
  const nowMs = Date.now()
  try {
    await db
      .insert(cellRemarks)
      .values({ ...rest, playerId, coachId: coach.id, saidAt: new Date(possibleTime(saidAtMs, undefined, nowMs)) })
  } catch (error) {
    if (!isDuplicate(error)) throw error
    const [there] = await db
      .select()
      .from(cellRemarks)
      .where(and(eq(cellRemarks.id, word.id), eq(cellRemarks.playerId, playerId)))
    const same =
      there &&
      JSON.stringify(toWord(there)) ===
        JSON.stringify({ ...word, saidAtMs: possibleTime(saidAtMs, there.saidAt.getTime(), nowMs) })
    if (!same) throw new Taken()
  }
  return word
}
