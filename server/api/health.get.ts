import { sql } from 'drizzle-orm'
import { version } from '../../package.json'
import journal from '../db/migrations/meta/_journal.json'
import { describeError } from '../db/database-errors'
import { log } from '../log'
import { useDatabase } from '../db/database'

/** A backup is being brought back, or was until it was cut off: `scripts/lib/unfinished.mjs`. */
async function isBeingRestored(): Promise<boolean> {
  const [rows] = (await useDatabase().execute(sql`show tables like 'uzzet_restoring'`)) as unknown as [unknown[]]
  return rows.length > 0
}

/**
 * Version, database and migration state: 200 when all is well, else 503. With `?of=process` it says only that this
 * process answers: it is not to be started anew because the database is away.
 */
export default defineEventHandler(async event => {
  if (getQuery(event).of === 'process') return { version }
  const wanted = journal.entries.length
  try {
    const [rows] = (await useDatabase().execute(sql`select count(*) as n from __drizzle_migrations`)) as unknown as [
      { n: number }[],
    ]
    const applied = Number(rows[0]!.n)
    const isHalf = await isBeingRestored()
    if (applied < wanted || isHalf) setResponseStatus(event, 503)
    return { version, database: isHalf ? 'restored in part only' : 'up', migrations: { applied, wanted } }
  } catch (error) {
    log.error(`health: ${describeError(error)}`)
    setResponseStatus(event, 503)
    return { version, database: 'down', migrations: { applied: null, wanted } }
  }
})
