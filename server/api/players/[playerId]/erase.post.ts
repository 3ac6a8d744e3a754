import { erasePlayer } from '../../../data/erase'
import { requireCoach } from '../../../auth/coach'
import { idFromRoute } from '../../../ingest/refuse'

/** Erases a player for good, with all that was recorded of them. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  await erasePlayer(coach, idFromRoute(event, 'playerId', 'player'))
  return { ok: true }
})
