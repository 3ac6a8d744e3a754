import { RateLimiterMySQL } from 'rate-limiter-flexible'
import { connectionOptions } from '../db/connection-options.mjs'
import { usePool } from '../db/database'
import { setting } from '../settings'

/** A count that is kept in the database, in the table `limits`. */
export function limiter(options: { keyPrefix: string; points: number; duration: number }): RateLimiterMySQL {
  const { database } = connectionOptions(setting('DATABASE_URL')!)
  return new RateLimiterMySQL({
    ...options,
    storeClient: usePool().pool,
    storeType: 'pool',
    dbName: database,
    tableName: 'limits',
    tableCreated: true,
  })
}
