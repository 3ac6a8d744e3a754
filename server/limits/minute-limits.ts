import type { H3Event } from 'h3'
import { RateLimiterMemory, RateLimiterRedis, RateLimiterRes, type RateLimiterAbstract } from 'rate-limiter-flexible'
import { sharedRedis } from '../redis'
import { refuse } from '../ingest/refuse'

/** How many requests in how many seconds. */
interface Limit {
  keyPrefix: string
  points: number
  duration: number
}

/**
 * Counts what one device, link, program or address asks. Several processes count together, in what they share; while
 * that is away, and where one process is all there is, each counts by itself.
 * @returns counts one request; throws 429 with Retry-After past the limit
 */
export function minuteLimit(limit: Limit): (event: H3Event, key: string) => Promise<void> {
  let made: RateLimiterAbstract | undefined
  const limiter = () => {
    if (made) return made
    const here = new RateLimiterMemory(limit)
    const storeClient = sharedRedis()
    made = storeClient
      ? new RateLimiterRedis({
          ...limit,
          keyPrefix: `uzzet:${limit.keyPrefix}`,
          storeClient,
          insuranceLimiter: here,
          rejectIfRedisNotReady: true,
        })
      : here
    return made
  }
  return async (event, key) => {
    try {
      await limiter().consume(key)
    } catch (wait) {
      if (!(wait instanceof RateLimiterRes)) throw wait
      const seconds = Math.max(1, Math.ceil(wait.msBeforeNext / 1000))
      setHeader(event, 'retry-after', seconds)
      throw refuse(429, `Too many requests: try again in ${seconds} s.`)
    }
  }
}
