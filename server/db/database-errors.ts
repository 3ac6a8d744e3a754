interface DriverError extends Error {
  code?: string
  errno?: number
  sqlState?: string
  query?: string
  cause?: unknown
}

/** The driver's error, which may stand inside Drizzle's; undefined for any other. */
function driverError(error: unknown): DriverError | undefined {
  for (let at = error as DriverError | undefined; at instanceof Error; at = at.cause as DriverError | undefined) {
    if (at.sqlState !== undefined || (at.code !== undefined && (at.errno !== undefined || AWAY.has(at.code)))) return at
    if (AWAY_MESSAGES.includes(at.message)) return at
  }
  return undefined
}

/** Codes of a database that is away, starting, full of connections, or silent. */
const AWAY = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'ENOTFOUND',
  'EAI_AGAIN',
  'EHOSTUNREACH',
  'ENETUNREACH',
  'ETIMEDOUT',
  'EPIPE',
  'ENOENT',
  'PROTOCOL_CONNECTION_LOST',
  'PROTOCOL_SEQUENCE_TIMEOUT',
  'PROTOCOL_ENQUEUE_AFTER_FATAL_ERROR',
  'ER_CON_COUNT_ERROR',
  'ER_TOO_MANY_USER_CONNECTIONS',
  'ER_SERVER_SHUTDOWN',
  'ER_CONNECTION_KILLED',
  'ER_NORMAL_SHUTDOWN',
  'ER_STATEMENT_TIMEOUT',
  'ER_QUERY_TIMEOUT',
  'ER_LOCK_WAIT_TIMEOUT',
  'ER_LOCK_DEADLOCK',
  // A node of a cluster that has lost the others answers nothing until it is back among them.
  'ER_UNKNOWN_COM_ERROR',
  'ER_DISK_FULL',
  'ER_ACCESS_DENIED_ERROR',
  'ER_BAD_DB_ERROR',
])
const AWAY_MESSAGES = [
  'Queue limit reached.',
  'Pool is closed.',
  "Can't add new command when connection is in closed state",
]

/** True for a unique key that is there already. The statement in the outer message never leaves the server. */
export function isDuplicate(error: unknown): boolean {
  return driverError(error)?.code === 'ER_DUP_ENTRY'
}

/** True when two writers waited for each other and this one was undone. */
export function isDeadlock(error: unknown): boolean {
  return ['ER_LOCK_DEADLOCK', 'ER_LOCK_WAIT_TIMEOUT', 'ER_CHECKREAD'].includes(driverError(error)?.code ?? '')
}

/** True when the database cannot be asked now; the same request may do well in a moment. */
export function isDatabaseAway(error: unknown): boolean {
  const found = driverError(error)
  return found !== undefined && (AWAY.has(found.code ?? '') || AWAY_MESSAGES.includes(found.message))
}

const STATEMENT_SHOWN = 120

/** The statement of Drizzle's error, with its placeholders; values are never part of it. */
function statementOf(error: unknown): string {
  for (let at = error as DriverError | undefined; at instanceof Error; at = at.cause as DriverError | undefined) {
    if (typeof at.query === 'string') return ` in "${at.query.replace(/\s+/g, ' ').slice(0, STATEMENT_SHOWN)}"`
  }
  return ''
}

/**
 * What the log may say of an error: of a failed statement its code and its shape, never the names, charts and hashes
 * that were in it; of any other the whole, for who mends it.
 */
export function describeError(error: unknown): string {
  const found = driverError(error)
  if (found) {
    const state = found.sqlState ? ` (${found.sqlState})` : ''
    const message = found.code ? '' : `: ${found.message}`
    return `database ${found.code ?? 'error'}${state}${message}${statementOf(error)}`
  }
  return error instanceof Error ? (error.stack ?? error.message) : String(error)
}
