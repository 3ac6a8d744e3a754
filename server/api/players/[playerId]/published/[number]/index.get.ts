import { findPublished } from '../../../../../data/published'
import { requireCoach } from '../../../../../request/coach'
import { numberFromRoute } from '../../../../../request/query'
import { idFromRoute } from '../../../../../request/refuse'

export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  return findPublished(coach, idFromRoute(event, 'playerId', 'player'), numberFromRoute(event))
})
