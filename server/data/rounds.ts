import { and, count, desc, eq, sql } from 'drizzle-orm'
import { rounds } from '../db/schema'
import type { Coach } from './coaches'
import { findPlayer } from './players'
import { mergedRound, roundTimeRight } from '../../shared/rounds'
import { ROUNDS_TOLD, ROUNDS_WAITING } from '../../shared/limits'
import type { RoundRecord } from '../../shared/schemas/rounds'
import { transaction, useDatabase, type Transaction } from '../db/database'
import { Taken } from './faults'
import type { KnownLink } from './player-links'

/** A round as it stands, nobody else's meanwhile. @throws 409 when the id is another player's */
async function lockedRound(tx: Transaction, playerId: string, id: string): Promise<RoundRecord | undefined> {
  const [there] = await tx
    .select({ playerId: rounds.playerId, body: rounds.body })
    .from(rounds)
    .where(eq(rounds.id, id))
    .for('update')
  if (there && there.playerId !== playerId) throw new Taken()
  return there?.body
}
const columnsOf = (body: RoundRecord) => ({ body, version: body.version, playedAt: new Date(body.playedAtMs) })

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
    const there = await lockedRound(tx, playerId, sent.id)
    const right = roundTimeRight(sent, there, nowMs)
    const body = there ? mergedRound(there, right) : right
    if (there) await tx.update(rounds).set(columnsOf(body)).where(eq(rounds.id, sent.id))
    else await tx.insert(rounds).values({ id: sent.id, playerId, coachId: coach.id, ...columnsOf(body) })
    return body
  })
}

/**
 * Keeps a round that the player told until the coach nods. One that the coach has decided on stays as it was decided.
 * @throws 409 when the id is another player's, or when too many wait
 */
export async function putOwnRound({ playerId, coachId }: KnownLink, sent: RoundRecord): Promise<void> {
  const nowMs = Date.now()
  await transaction(async tx => {
    const there = await lockedRound(tx, playerId, sent.id)
    if (there && !there.waiting) return
    const right = { ...roundTimeRight(sent, there, nowMs), waiting: true as const, gone: false }
    if (there) {
      const body = { ...mergedRound(there, right), waiting: true as const }
      await tx.update(rounds).set(columnsOf(body)).where(eq(rounds.id, sent.id))
      return
    }
    const [row] = await tx
      .select({ n: count() })
      .from(rounds)
      .where(and(eq(rounds.playerId, playerId), sql`json_value(${rounds.body}, '$.waiting') = 1`))
    if (row!.n >= ROUNDS_WAITING)
      throw new Taken('id', `${ROUNDS_WAITING} rounds wait for your coach already. Send this one when they are seen.`)
    await tx.insert(rounds).values({ id: sent.id, playerId, coachId, ...columnsOf(right) })
  })
}
