import { openDatabase } from './client'
import { retried } from './retried'
import { setting } from '../settings'

let opened: ReturnType<typeof openDatabase> | undefined

function open() {
  const url = setting('DATABASE_URL')
  if (!url) throw new Error('DATABASE_URL is not set')
  return (opened ??= openDatabase(url, Number(setting('UZZET_CONNECTIONS') ?? 10)))
}

/** Drizzle on the one pool of this server. */
export const useDatabase = () => open().db

/** The pool itself, for the few queries that are quicker without Drizzle. */
export const usePool = () => open().pool

/** Connections that a query holds just now; 0 before the first. */
export function connectionsInUse(): number {
  if (!opened) return 0
  // The driver counts them in lists of its own.
  const { _allConnections, _freeConnections } = opened.pool.pool as unknown as Record<
    '_allConnections' | '_freeConnections',
    { length: number }
  >
  return _allConnections.length - _freeConnections.length
}

type Work<T> = Parameters<ReturnType<typeof useDatabase>['transaction']>[0] extends (
  tx: infer Tx,
  ...rest: never[]
) => unknown
  ? (tx: Tx) => Promise<T>
  : never

/** What stands in a transaction is asked through it. */
export type Transaction = Parameters<Work<unknown>>[0]

/** All or nothing; tried again when another writer was in the way. */
export function transaction<T>(work: Work<T>): Promise<T> {
  return retried(() => useDatabase().transaction(work))
}

export async function closeDatabase() {
  await opened?.pool.end()
  opened = undefined
}
