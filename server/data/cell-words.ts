import { and, asc, eq } from 'drizzle-orm'
import { cellWords, clubs, rungs } from '../db/schema'
import type { Coach } from './coaches'
import { findPlayer } from './players'
import { possibleTime } from '../../shared/clock'
import type { CellWordRecord } from '../../shared/cell-word'

function toWord(row: typeof cellWords.$inferSelect): CellWordRecord {
  const { id, clubId, rungId, kind, carryM, why, saidAt, holds } = row
  return { id, clubId, rungId, kind, carryM, why, saidAtMs: saidAt.getTime(), holds }
}

/** Everything said of a player's stock shots, oldest first, of a player that the caller has found to be the coach's. */
export async function wordsOf(playerId: string): Promise<CellWordRecord[]> {
  return (await useDatabase().select().from(cellWords).where(eq(cellWords.playerId, playerId)).orderBy(asc(cellWords.saidAt), asc(cellWords.id))).map(toWord)
}

/**
 * Adds a saying; sent twice it is there once.
 * @throws 404; 409 when the id is another's; 422 when the stock shot is not of this player's bag
 */
export async function addWord(coach: Coach, playerId: string, word: CellWordRecord): Promise<CellWordRecord> {
  const db = useDatabase()
  await findPlayer(coach, playerId)
  const [[club], [rung]] = await Promise.all([
    db.select({ id: clubs.id }).from(clubs).where(and(eq(clubs.id, word.clubId), eq(clubs.playerId, playerId))),
    db.select({ id: rungs.id }).from(rungs).where(and(eq(rungs.id, word.rungId), eq(rungs.playerId, playerId))),
  ])
  if (!club || !rung) throw refuse(422, 'This stock shot is not in the player\'s bag any more.', [{ field: club ? 'rungId' : 'clubId', message: 'It is not in the player\'s bag any more.' }])
  const { saidAtMs, ...rest } = word
  const nowMs = Date.now()
  try {
    await db.insert(cellWords).values({ ...rest, playerId, coachId: coach.id, saidAt: new Date(possibleTime(saidAtMs, undefined, nowMs)) })
  } catch (error) {
    if (!isDuplicate(error)) throw error
    const [there] = await db.select().from(cellWords).where(and(eq(cellWords.id, word.id), eq(cellWords.playerId, playerId)))
    const same = there && JSON.stringify(toWord(there)) === JSON.stringify({ ...word, saidAtMs: possibleTime(saidAtMs, there.saidAt.getTime(), nowMs) })
    if (!same) throw refuse(409, 'This id is taken.', [{ field: 'id', message: 'This id is taken.' }])
  }
  return word
}
