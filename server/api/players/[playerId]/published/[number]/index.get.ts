import { findPublished } from '../../../../../data/published'
import { requireCoach } from '../../../../../auth/coach'
import { numberFromRoute } from '../../../../../ingest/query'
import { idFromRoute } from '../../../../../ingest/refuse'

export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  return findPublished(coach, idFromRoute(event, 'playerId', 'player'), numberFromRoute(event))
})
