import { viewOf } from '../../data/player-links'
import { requireLink } from '../../auth/link'

/** What a player's phone shows. Nobody is signed in: the token is the key, and opens this one chart. */
export default defineEventHandler(async event => {
  setHeader(event, 'cache-control', 'no-store')
  return viewOf(await requireLink(event))
})
