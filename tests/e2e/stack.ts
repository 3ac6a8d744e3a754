import { startStation } from '../../devices/weather-station'
import { migrateDatabase } from '../../scripts/lib/migrate.mjs'
import { startDatabase } from '../../scripts/lib/database.mjs'
import { loadDemo } from '../../scripts/lib/demo-data.mjs'
import { freePortFrom } from '../../scripts/lib/ports.mjs'
import { startServer } from '../../scripts/lib/server.mjs'

const SECRET = 'a secret of the browser tests, thrown away'

/** A server on its own port, with the demo's door. */
export async function serve(databaseUrl: string, port?: number) {
  return startServer({ port: port ?? await freePortFrom(4720), databaseUrl, sessionSecret: SECRET, demo: true, env: { UZZET_SIGN_UPS_PER_HOUR: '1000' } })
}

/** Playwright's global set-up: a fresh database with the demo data, and the built server. */
export default async function setup() {
  const database = await startDatabase('test', { fresh: true })
  await migrateDatabase(database.url)
  loadDemo(database.url)
  const station = await startStation(0, 7)
  process.env.UZZET_WEATHER = station.url
  const server = await serve(database.url)
  process.env.E2E_URL = server.url
  process.env.E2E_DATABASE_URL = database.url
  return async () => {
    await server.stop()
    station.server.close()
    await database.stop()
  }
}
