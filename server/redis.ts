import { Redis } from 'ioredis'
import { log } from './log'
import { setting } from './settings'

export const tellFault = (error: unknown) =>
  log.error(`what processes share: ${(error as Error).message || 'no connection'}`)

/**
 * A store that hangs holds nobody up: a question waits so long, and then the line is given up. Until it is back all go
 * on as if it were away.
 */
const ANSWER_MS = 500
const CONNECT_MS = 5000

/**
 * A connection to what several processes share, where UZZET_REDIS says how; without it this process is all there is.
 * While it is away every process goes on by itself.
 */
export function openRedis(): Redis | undefined {
  const address = setting('UZZET_REDIS')
  if (!address) return undefined
  const redis = new Redis(address, {
    maxRetriesPerRequest: 0,
    enableOfflineQueue: false,
    lazyConnect: true,
    connectTimeout: CONNECT_MS,
    commandTimeout: ANSWER_MS,
    socketTimeout: 2 * ANSWER_MS,
  })
  let away = false
  redis.on('error', (error: Error) => {
    if (!away) tellFault(error)
    away = true
  })
  redis.on('ready', () => {
    if (away) log.warn('what processes share: back')
    away = false
  })
  // Whether it came is told by its events, at the first try and later.
  redis.connect().catch(() => undefined)
  return redis
}

let shared: Redis | undefined
/** The one connection over which this process speaks; it hears over another. */
export function sharedRedis(): Redis | undefined {
  return (shared ??= openRedis())
}
