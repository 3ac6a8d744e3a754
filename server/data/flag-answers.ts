import { and, asc, eq } from 'drizzle-orm'
import { flagAnswers } from '../db/schema'
import type { Coach } from './coaches'
import { findPlayer } from './players'
import { possibleTime } from '../../shared/clock'
import type { FlagAnswerRecord } from '../../shared/schemas/flag-answer'
import { isDuplicate } from '../db/database-errors'
import { useDatabase } from '../db/database'
import { Taken } from './faults'

/** Every answer to a flag of a player, oldest first, of a player that the caller has found to be the coach's. */
export async function answersOf(playerId: string): Promise<FlagAnswerRecord[]> {
  const rows = await useDatabase()
    .select({ body: flagAnswers.body })
    .from(flagAnswers)
    .where(eq(flagAnswers.playerId, playerId))
    .orderBy(asc(flagAnswers.saidAt), asc(flagAnswers.id))
  return rows.map(row => row.body)
}

/**
 * Adds an answer; sent twice it is there once.
 * @throws 404; 409 when the id is another's
 */
export async function addAnswer(coach: Coach, playerId: string, sent: FlagAnswerRecord): Promise<FlagAnswerRecord> {
  const db = useDatabase()
  const nowMs = Date.now()
  const answer = { ...sent, saidAtMs: possibleTime(sent.saidAtMs, undefined, nowMs) }
  await findPlayer(coach, playerId)
  try {
    await db
      .insert(flagAnswers)
      .values({ id: answer.id, playerId, coachId: coach.id, saidAt: new Date(answer.saidAtMs), body: answer })
  } catch (error) {
    if (!isDuplicate(error)) throw error
    const [there] = await db
      .select({ body: flagAnswers.body })
      .from(flagAnswers)
      .where(and(eq(flagAnswers.id, answer.id), eq(flagAnswers.playerId, playerId)))
    if (
      !there ||
      JSON.stringify(there.body) !==
        JSON.stringify({ ...sent, saidAtMs: possibleTime(sent.saidAtMs, there.body.saidAtMs, nowMs) })
    )
      throw new Taken()
  }
  return answer
}
