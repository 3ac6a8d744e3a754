import { and, eq } from 'drizzle-orm'
import { workOut } from '../calibration/pool'
import { players } from '../db/schema'
import type { Coach } from './coaches'
import type { PlayerSummary } from '../../shared/player'
import { describeError } from '../db/database-errors'
import { log } from '../log'
import { useDatabase } from '../db/database'

/** Longest that a request for the list waits for summaries; the rest follow behind it. */
const PATIENCE_MS = 300

async function renew(coach: Coach, playerId: string, stamp: string): Promise<PlayerSummary> {
  const summary = { stamp, ...(await workOut({ coach }, playerId, 'summary', null, Date.now())) }
  await useDatabase()
    .update(players)
    .set({ summary })
    .where(and(eq(players.id, playerId), eq(players.academyId, coach.academyId)))
  return summary
}

/** Players whose summary is being worked out, so that two requests do not both do it. */
const underWay = new Set<string>()

/**
 * Works out the summaries of these players one after the other, those not done in time behind the request.
 * @returns the ones that were ready in time, by player
 */
export async function renewSummaries(
  coach: Coach,
  stale: readonly { id: string; stamp: string }[],
): Promise<Map<string, PlayerSummary>> {
  const ready = new Map<string, PlayerSummary>()
  const queue = stale.filter(({ id }) => !underWay.has(id))
  for (const { id } of queue) underWay.add(id)
  const work = (async () => {
    for (const { id, stamp } of queue) {
      try {
        ready.set(id, await renew(coach, id, stamp))
      } catch (error) {
        // The list stands without it and the next request tries again; the reason is for whoever reads the log.
        log.error(`summary of a player: ${describeError(error)}`)
      } finally {
        underWay.delete(id)
      }
    }
  })()
  await Promise.race([work, new Promise(resolve => setTimeout(resolve, PATIENCE_MS))])
  return new Map(ready)
}
