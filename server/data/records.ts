import { asc, eq } from 'drizzle-orm'
import { sessions } from '../db/schema'
import { bagOf } from './bags'
import { wordsOf } from './cell-remarks'
import { academyThresholdsOf, type Coach } from './coaches'
import { answersOf } from './flag-answers'
import { findPlayer } from './players'
import { newestPublished, numbersOf } from './newest-published'
import { toSession } from './sessions'
import { shotColumnsOf } from './shot-columns'
import type { PlayerRecord } from '../../shared/record'
import { useDatabase } from '../db/database'

/** Everything of one player. @throws 404 for an id that is not there or another academy's */
export async function playerRecord(coach: Coach, playerId: string): Promise<PlayerRecord> {
  const { player, school, bagVersion } = await findPlayer(coach, playerId)
  const [bag, sessionRows, shots, words, academyThresholds, newest, answers] = await Promise.all([
    bagOf(playerId, school),
    useDatabase().select().from(sessions).where(eq(sessions.playerId, playerId)).orderBy(asc(sessions.startedAt)),
    shotColumnsOf(playerId),
    wordsOf(playerId),
    academyThresholdsOf(coach),
    newestPublished(playerId),
    answersOf(playerId),
  ])
  return {
    player,
    bag,
    bagVersion,
    sessions: sessionRows.map(toSession),
    shots,
    words,
    academyThresholds,
    published: newest && numbersOf(newest),
    answers,
  }
}
