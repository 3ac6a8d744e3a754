import { pino } from 'pino'
import { setting } from './settings'

/**
 * What the server says, a line of JSON each: request ids and routes, never names, addresses or what was sent.
 * `UZZET_LOG` is the least that is said: error, warn (usual), info (every request), debug.
 */
export const log = pino({ level: setting('UZZET_LOG') ?? 'warn', base: undefined })
