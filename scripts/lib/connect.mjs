import { AddressFault, connectionOptions, whyNoConnection } from '../../server/db/connection-options.mjs'
import { stop } from './say.mjs'

const CONNECT_MS = 5000

/** Host, port and the rest of an address, or one sentence that says what is wrong with it. */
export function addressOf(url) {
  try {
    return connectionOptions(url)
  } catch (error) {
    if (!(error instanceof AddressFault)) throw error
    return stop(error.message)
  }
}

/** A connection, or one sentence that says why there is none. Packages must be installed. */
export async function connectTo(url) {
  const mysql = await import('mysql2/promise')
  const options = addressOf(url)
  try {
    return await mysql.createConnection({ ...options, timezone: 'Z', connectTimeout: CONNECT_MS })
  } catch (error) {
    return stop(whyNoConnection(error, url))
  }
}
