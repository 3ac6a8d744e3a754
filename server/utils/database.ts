import { openDatabase } from '../db/client'

let opened: ReturnType<typeof openDatabase> | undefined

function open() {
  const url = setting('DATABASE_URL')
  if (!url) throw new Error('DATABASE_URL is not set')
  return opened ??= openDatabase(url)
}

/** Drizzle on the one pool of this server. */
export const useDatabase = () => open().db

/** The pool itself, for the few queries that are quicker without Drizzle. */
export const usePool = () => open().pool

export async function closeDatabase() {
  await opened?.pool.end()
  opened = undefined
}
