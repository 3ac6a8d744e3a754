import { fromRoot } from './paths.mjs'
import { stop } from './say.mjs'

/** Brings a database to the newest migration. Packages must be installed. */
export async function migrateDatabase(url) {
  const [{ drizzle }, { migrate }, mysql] = await Promise.all([
    import('drizzle-orm/mysql2'), import('drizzle-orm/mysql2/migrator'), import('mysql2/promise'),
  ])
  let connection
  try {
    connection = await mysql.createConnection({ uri: url, timezone: 'Z' })
  } catch (error) {
    stop(`The database at ${url.replace(/\/\/[^@]*@/, '//')} does not answer (${error.code ?? error.message}): check DATABASE_URL and that its server runs.`)
  }
  try {
    await migrate(drizzle(connection), { migrationsFolder: fromRoot('server/db/migrations') })
  } catch (error) {
    stop(`The database could not be brought up to date: ${error.cause?.message ?? error.message}. Nothing was served.`)
  } finally {
    await connection.end()
  }
}
