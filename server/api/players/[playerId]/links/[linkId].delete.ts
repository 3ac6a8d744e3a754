import { revokeLink } from '../../../../data/player-links'
import { requireCoach } from '../../../../request/coach'
import { idFromRoute } from '../../../../request/refuse'

/** Revoked: its token opens nothing any more. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  await revokeLink(coach, idFromRoute(event, 'playerId', 'player'), idFromRoute(event, 'linkId', 'link'))
  return { ok: true }
})
