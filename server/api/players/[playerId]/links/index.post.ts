import { NewLink } from '../../../../../shared/schemas/player-link'
import type { MadeLink } from '../../../../../shared/player-link'
import { addLink } from '../../../../data/player-links'
import { requireCoach } from '../../../../auth/coach'
import { hashOfToken, newToken } from '../../../../auth/device'
import { idFromRoute, readChecked } from '../../../../ingest/refuse'

/** A private address for the player's phone. Its token is in this answer and nowhere else. */
export default defineEventHandler(async (event): Promise<MadeLink> => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  const link = await readChecked(event, NewLink)
  const token = newToken()
  const made = await addLink(coach, playerId, link, hashOfToken(token))
  setResponseStatus(event, 201)
  return { ...made, token }
})
