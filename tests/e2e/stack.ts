import mysql from 'mysql2/promise'
import { startStation } from '../../devices/weather-station'
import { startDatabase } from '../../scripts/lib/database.mjs'
import { loadDemo } from '../../scripts/lib/demo-data.mjs'
import { migrateDatabase } from '../../scripts/lib/migrate.mjs'
import { freePortFrom } from '../../scripts/lib/ports.mjs'
import { startServer } from '../../scripts/lib/server.mjs'

const SECRET = 'a secret of the browser tests, thrown away'
const FIRST_PORT = 4720
/** So many ports for each worker: two that look for a free one at the same moment never find the same. */
const PORTS_EACH = 20

const workerNumber = () => Number(process.env.TEST_PARALLEL_INDEX ?? 0)

/** A server on its own port, with the demo's door. */
export async function serve(databaseUrl: string, port?: number, env: Record<string, string> = {}) {
  return startServer({
    port: port ?? (await freePortFrom(FIRST_PORT + PORTS_EACH * workerNumber())),
    databaseUrl,
    sessionSecret: SECRET,
    demo: true,
    env: { UZZET_SIGN_UPS_PER_HOUR: '1000', ...env },
  })
}

/** Playwright's global set-up: one database server, and the weather. */
export default async function setup() {
  const database = await startDatabase('browser', { fresh: true })
  const station = await startStation(0, 7)
  process.env.UZZET_WEATHER = station.url
  process.env.E2E_DATABASE_SERVER = database.url
  return async () => {
    station.server.close()
    await database.stop()
  }
}

/** An empty database of its own for a worker. */
async function ownDatabase(): Promise<string> {
  const url = new URL(process.env.E2E_DATABASE_SERVER!)
  const name = `uzzet_${workerNumber()}`
  const connection = await mysql.createConnection(url.href)
  await connection.query(`drop database if exists ${name}`)
  await connection.query(`create database ${name}`)
  await connection.end()
  url.pathname = `/${name}`
  return url.href
}

/** What a worker's tests stand on: a database with the demo data, and the built server. @returns how to end it */
export async function startStack(): Promise<() => Promise<void>> {
  const databaseUrl = await ownDatabase()
  await migrateDatabase(databaseUrl)
  loadDemo(databaseUrl)
  const server = await serve(databaseUrl)
  process.env.E2E_URL = server.url
  process.env.E2E_DATABASE_URL = databaseUrl
  return () => server.stop()
}
