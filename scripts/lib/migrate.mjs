import { setTimeout as wait } from 'node:timers/promises'
import { connectTo } from './connect.mjs'
import { knownMigrations } from './migrations-known.mjs'
import { fromRoot } from './paths.mjs'
import { stop } from './say.mjs'
import { refuseUnfinished } from './unfinished.mjs'

/** Of two servers that start at once one migrates and the other waits so long for it. */
const LOCK = 'uzzet migration'
const LOCK_SECONDS = 120

/** What went wrong, without the values of any statement. */
function reasonOf(error) {
  const { cause, code, message } = error
  return cause?.code ?? cause?.message ?? code ?? message
}

const STATEMENT_SHOWN = 160

/** Which statement was refused, cut short: a migration's own text, which holds nobody's values. */
function statementOf(error) {
  const sql = String(error.query ?? error.cause?.sql ?? error.sql ?? '')
    .replace(/\s+/g, ' ')
    .trim()
  return sql === '' ? '' : ` at "${sql.length > STATEMENT_SHOWN ? `${sql.slice(0, STATEMENT_SHOWN)}…` : sql}"`
}

/** A database that a newer program has changed is not for this one: it would write what the newer one cannot read. */
async function refuseNewer(connection) {
  const [tables] = await connection.query("show tables like '__drizzle_migrations'")
  if (tables.length === 0) return
  const [[row]] = await connection.query('select count(*) as n from __drizzle_migrations')
  const known = knownMigrations()
  if (Number(row.n) > known)
    stop(
      `This database was brought up to date by a newer program (${row.n} steps, ${known} are known here). ` +
        'Start that one again, or restore a backup of before. Nothing was changed.',
    )
}

/**
 * Brings a database to the newest migration, one server at a time. Every statement can be repeated, so that a migration
 * that was cut off half-way is taken up again by running it again. Packages must be installed.
 * @param {string} url
 */
export async function migrateDatabase(url) {
  const [{ drizzle }, { migrate }] = await Promise.all([
    import('drizzle-orm/mysql2'),
    import('drizzle-orm/mysql2/migrator'),
  ])
  const connection = await connectTo(url)
  try {
    const [[lock]] = await connection.query('select get_lock(?, ?) as held', [LOCK, LOCK_SECONDS])
    if (lock.held !== 1)
      stop(
        `Another server has been bringing this database up to date for ` +
          `${LOCK_SECONDS} s: wait for it, or end it, and start again.`,
      )
    await refuseUnfinished(connection)
    await refuseNewer(connection)
    await migrate(drizzle(connection), { migrationsFolder: fromRoot('server/db/migrations') })
  } catch (error) {
    if (error.name === 'Stop' || error.constructor.name === 'Stop') throw error
    stop(
      `The database could not be brought up to date (${reasonOf(error)}${statementOf(error)}). ` +
        'Nothing was served and nothing is lost: mend the cause (often a full disk or a missing right) ' +
        'and start again; it goes on where it was cut off.',
    )
  } finally {
    // The lock ends with the connection; a database that went away ended both.
    await Promise.race([connection.end().catch(() => {}), wait(2000, undefined, { ref: false })])
  }
}
