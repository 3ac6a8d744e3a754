import type { H3Event } from 'h3'
import { linkByToken, type KnownLink } from '../data/player-links'
import { clientAddress } from '../limits/client-address'
import { bearerOf, hashOfToken } from './device'
import { minuteLimit } from '../limits/minute-limits'
import { refuse } from '../ingest/refuse'

const MINUTE = 60
const countLink = minuteLimit({ keyPrefix: 'link', points: 120, duration: MINUTE })
// A phone with a revoked link tries now and then; a guesser tries thousands.
const countBadLink = minuteLimit({ keyPrefix: 'bad-link', points: 60, duration: 15 * MINUTE })

/**
 * The link whose token came along. Missing, wrong, guessed and revoked ones are answered alike.
 * @throws 401, or 429 with Retry-After
 */
export async function requireLink(event: H3Event): Promise<KnownLink> {
  const token = bearerOf(event)
  const link = token ? await linkByToken(hashOfToken(token)) : undefined
  if (!link) {
    await countBadLink(event, clientAddress(event))
    throw refuse(401, 'This link does not open anything any more: ask your coach for a new one.')
  }
  if (link.waits)
    throw refuse(401, 'This link opens nothing for now: your coach needs the word of a parent or guardian first.')
  await countLink(event, link.id)
  return link
}
