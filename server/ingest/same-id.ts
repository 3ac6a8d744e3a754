import type { H3Event } from 'h3'
import { idFromRoute, refuse } from './refuse'

/** What was sent, if it is the one that the address names. @throws 422 */
export function sameIdAsRoute<T extends { id: string }>(event: H3Event, param: string, what: string, sent: T): T {
  if (sent.id === idFromRoute(event, param, what)) return sent
  const message = `The ${what} in the address is not the one that was sent.`
  throw refuse(422, message, [{ field: 'id', message }])
}
