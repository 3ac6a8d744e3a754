import { linksOf } from '../../../../data/player-links'
import { requireCoach } from '../../../../auth/coach'
import { idFromRoute } from '../../../../ingest/refuse'

export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  return linksOf(coach, idFromRoute(event, 'playerId', 'player'))
})
