import { RateLimiterMySQL } from 'rate-limiter-flexible'
import { connectionOptions } from '../db/connection-options.mjs'
import { usePool } from '../db/database'
import { retried } from '../db/retried'
import { setting } from '../settings'

/** Two nodes of a cluster may count in the same moment: one of them counts again. */
class Counter extends RateLimiterMySQL {
  override consume(...args: Parameters<RateLimiterMySQL['consume']>) {
    return retried(() => super.consume(...args))
  }
}

/** A count that is kept in the database, in the table `limits`. */
export function limiter(options: { keyPrefix: string; points: number; duration: number }): RateLimiterMySQL {
  const { database } = connectionOptions(setting('DATABASE_URL')!)
  return new Counter({
    ...options,
    storeClient: usePool().pool,
    storeType: 'pool',
    dbName: database,
    tableName: 'limits',
    tableCreated: true,
  })
}
