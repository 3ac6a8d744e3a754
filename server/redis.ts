import { Redis } from 'ioredis'
import { log } from './log'
import { setting } from './settings'

export const tellFault = (error: unknown) =>
  log.error(`what processes share: ${(error as Error).message || 'no connection'}`)

/**
 * A connection to what several processes share, where UZZET_REDIS says how; without it this process is all there is.
 * While it is away every process goes on by itself.
 */
export function openRedis(): Redis | undefined {
  const address = setting('UZZET_REDIS')
  if (!address) return undefined
  const redis = new Redis(address, { maxRetriesPerRequest: 1, enableOfflineQueue: false, lazyConnect: true })
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
