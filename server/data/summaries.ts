import { and, eq } from 'drizzle-orm'
import { isClosing, workOut } from '../calibration/pool'
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

/** A player whose summary waits to be worked out, for what was read of the record. */
interface Stale {
  id: string
  stamp: string
}
/** So many of one academy wait at most; who finds no place is worked out when the list is asked for again. */
const MOST_WAITING = 500

/** What waits, by academy: worked out one after the other, so that many lists at once take no more of the machine. */
const queues = new Map<string, Map<string, Promise<PlayerSummary | null>>>()

/** Puts a player behind those of the academy that wait. @returns null where that failed, or nothing more may wait */
function enqueue(coach: Coach, { id, stamp }: Stale): Promise<PlayerSummary | null> {
  const queue = queues.get(coach.academyId) ?? new Map<string, Promise<PlayerSummary | null>>()
  queues.set(coach.academyId, queue)
  const known = queue.get(id)
  if (known) return known
  if (queue.size >= MOST_WAITING) return Promise.resolve(null)
  const work = (async () => {
    await [...queue.values()].at(-1)
    try {
      return await renew(coach, id, stamp)
    } catch (error) {
      // The list stands without it and the next request tries again; the reason is for whoever reads the log.
      if (!isClosing()) log.error(`summary of a player: ${describeError(error)}`)
      return null
    } finally {
      queue.delete(id)
      if (queue.size === 0) queues.delete(coach.academyId)
    }
  })()
  queue.set(id, work)
  return work
}

export const waitingSummaries = () => [...queues.values()].reduce((sum, queue) => sum + queue.size, 0)

/**
 * Works out the summaries of these players, those not done in time behind the request.
 * @returns the ones that were ready in time, by player
 */
export async function renewSummaries(coach: Coach, stale: readonly Stale[]): Promise<Map<string, PlayerSummary>> {
  const ready = new Map<string, PlayerSummary>()
  const work = stale.map(async one => {
    const summary = await enqueue(coach, one)
    if (summary) ready.set(one.id, summary)
  })
  await Promise.race([Promise.all(work), new Promise(resolve => setTimeout(resolve, PATIENCE_MS))])
  return new Map(ready)
}
