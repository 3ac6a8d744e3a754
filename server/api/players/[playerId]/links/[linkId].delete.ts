import { revokeLink } from '../../../../data/player-links'
import { requireCoach } from '../../../../auth/coach'
import { idFromRoute } from '../../../../ingest/refuse'

/** Revoked: its token opens nothing any more. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  await revokeLink(coach, idFromRoute(event, 'playerId', 'player'), idFromRoute(event, 'linkId', 'link'))
  return { ok: true }
})
