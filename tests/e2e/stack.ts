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

/** The demo data are loaded once; each worker gets a copy. */
const TEMPLATE = 'uzzet_template'

function databaseAt(server: string, name: string): string {
  const url = new URL(server)
  url.pathname = `/${name}`
  return url.href
}

async function fillTemplate(server: string): Promise<void> {
  const connection = await mysql.createConnection(server)
  await connection.query(`drop database if exists ${TEMPLATE}`)
  await connection.query(`create database ${TEMPLATE}`)
  await connection.end()
  const url = databaseAt(server, TEMPLATE)
  await migrateDatabase(url)
  loadDemo(url)
}

/** Playwright's global set-up: one database server with the demo data, and the weather. */
export default async function setup() {
  const database = await startDatabase('browser', { fresh: true })
  await fillTemplate(database.url)
  const station = await startStation(0, 7)
  process.env.UZZET_WEATHER = station.url
  process.env.E2E_DATABASE_SERVER = database.url
  return async () => {
    station.server.close()
    await database.stop()
  }
}

/** A database of its own for a worker: the template's tables, with their keys and rows. */
async function ownDatabase(): Promise<string> {
  const server = process.env.E2E_DATABASE_SERVER!
  const name = `uzzet_${workerNumber()}`
  const url = databaseAt(server, name)
  const connection = await mysql.createConnection(server)
  await connection.query(`drop database if exists ${name}`)
  await connection.query(`create database ${name}`)
  await connection.changeUser({ database: name })
  // Tables come by name, not in the order of their keys.
  await connection.query('set foreign_key_checks = 0')
  const [tables] = await connection.query<mysql.RowDataPacket[]>(`show tables from ${TEMPLATE}`)
  for (const table of tables.map(row => String(Object.values(row)[0]))) {
    const [[made]] = await connection.query<mysql.RowDataPacket[]>(`show create table ${TEMPLATE}.\`${table}\``)
    await connection.query(String(made!['Create Table']))
    await connection.query(`insert into \`${table}\` select * from ${TEMPLATE}.\`${table}\``)
  }
  await connection.end()
  return url
}

/** What a worker's tests stand on: a database with the demo data, and the built server. @returns how to end it */
export async function startStack(): Promise<() => Promise<void>> {
  const databaseUrl = await ownDatabase()
  const server = await serve(databaseUrl)
  process.env.E2E_URL = server.url
  process.env.E2E_DATABASE_URL = databaseUrl
  return () => server.stop()
}
