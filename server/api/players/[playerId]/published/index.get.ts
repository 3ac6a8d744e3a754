import { publishedLines } from '../../../../data/published'
import { requireCoach } from '../../../../auth/coach'
import { idFromRoute } from '../../../../ingest/refuse'

export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  return publishedLines(coach, idFromRoute(event, 'playerId', 'player'))
})
