import { desc, eq } from 'drizzle-orm'
import { rounds } from '../db/schema'
import type { Coach } from './coaches'
import { findPlayer } from './players'
import { mergedRound, ROUNDS_TOLD, roundTimeRight, type RoundRecord } from '../../shared/rounds'
import { transaction, useDatabase } from '../db/database'
import { Taken } from './faults'

/** Rounds of a player, newest first. @throws 404 */
export async function roundsOf(coach: Coach, playerId: string): Promise<RoundRecord[]> {
  await findPlayer(coach, playerId)
  return roundsOfPlayer(playerId)
}

/** The same for a player who is known to be the coach's. */
export async function roundsOfPlayer(playerId: string): Promise<RoundRecord[]> {
  const rows = await useDatabase()
    .select({ body: rounds.body })
    .from(rounds)
    .where(eq(rounds.playerId, playerId))
    .orderBy(desc(rounds.playedAt), desc(rounds.id))
    .limit(ROUNDS_TOLD)
  return rows.map(({ body }) => body)
}

/**
 * Puts a round as a device knows it, together with what others have sent of it: no approach goes.
 * @throws 404, or 409 when the id is another player's
 */
export async function putRound(coach: Coach, playerId: string, sent: RoundRecord): Promise<RoundRecord> {
  await findPlayer(coach, playerId)
  const nowMs = Date.now()
  return transaction(async tx => {
    const [there] = await tx
      .select({ playerId: rounds.playerId, body: rounds.body })
      .from(rounds)
      .where(eq(rounds.id, sent.id))
      .for('update')
    if (there && there.playerId !== playerId) throw new Taken()
    const right = roundTimeRight(sent, there?.body, nowMs)
    const body = there ? mergedRound(there.body, right) : right
    const columns = { body, version: body.version, playedAt: new Date(body.playedAtMs) }
    if (there) await tx.update(rounds).set(columns).where(eq(rounds.id, sent.id))
    else await tx.insert(rounds).values({ id: sent.id, playerId, coachId: coach.id, ...columns })
    return body
  })
}
