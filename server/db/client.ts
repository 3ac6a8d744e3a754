import { drizzle } from 'drizzle-orm/mysql2'
import mysql from 'mysql2/promise'
import { connectionOptions } from './connection-options.mjs'
import { retried } from './retried'
import * as schema from './schema'

/** A request that waits so long for one statement is better told so; the browser itself gives up at 20 s. */
const STATEMENT_MS = 10_000
const CONNECT_MS = 5000
/** More that wait for a connection than any academy sends at once. */
const WAITING_MAX = 500

/** As much of the driver's connection as is used here and not in its types. */
interface Wire {
  addCommand: (command: NodeJS.EventEmitter) => unknown
  query: (sql: string) => unknown
  stream: { destroy: (error: Error) => void }
}

/** The database did not answer in time. */
export class DatabaseSilent extends Error {
  readonly code = 'PROTOCOL_SEQUENCE_TIMEOUT'
  constructor() {
    super(`The database did not answer within ${STATEMENT_MS / 1000} s.`)
  }
}

/**
 * Ends a connection whose server has gone quiet: all that waits on it fails at once, and the pool opens another. The
 * server's own limit ends a statement that merely takes long.
 */
function watch(connection: Wire): void {
  const add = connection.addCommand.bind(connection)
  connection.addCommand = command => {
    const late = setTimeout(() => connection.stream.destroy(new DatabaseSilent()), STATEMENT_MS)
    const over = () => clearTimeout(late)
    command.once('end', over)
    command.once('error', over)
    return add(command)
  }
  // The database's own moments too are UTC: an hour that comes twice in autumn would date a change before its reader.
  connection.query(`set session max_statement_time = ${STATEMENT_MS / 1000 - 1}, time_zone = '+00:00'`)
}

/**
 * A pool on the project's database. Times are UTC; doubles stay numbers; no statement and no connection is waited for
 * without end.
 * @param url as `connectionOptions` reads it
 * @param connections at most
 * @throws AddressFault
 */
export function openDatabase(url: string, connections = 10) {
  const pool = mysql.createPool({
    ...connectionOptions(url),
    timezone: 'Z',
    connectionLimit: connections,
    queueLimit: WAITING_MAX,
    connectTimeout: CONNECT_MS,
    enableKeepAlive: true,
    // A stack for every statement costs as much as the statement's own handling here.
    trace: false,
  })
  pool.pool.on('connection', connection => watch(connection as unknown as Wire))
  const [query, execute] = [pool.query.bind(pool), pool.execute.bind(pool)]
  // A statement by itself can be done again as a whole; of a transaction `transaction` does.
  pool.query = ((...statement: Parameters<typeof query>) => retried(() => query(...statement))) as typeof pool.query
  pool.execute = ((...statement: Parameters<typeof execute>) =>
    retried(() => execute(...statement))) as typeof pool.execute
  return { pool, db: drizzle(pool, { schema, mode: 'default' }) }
}

export type Database = ReturnType<typeof openDatabase>['db']
