import { linksOf } from '../../../../data/player-links'
import { requireCoach } from '../../../../request/coach'
import { idFromRoute } from '../../../../request/refuse'

export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  return linksOf(coach, idFromRoute(event, 'playerId', 'player'))
})
