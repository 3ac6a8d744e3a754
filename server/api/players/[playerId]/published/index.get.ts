import { publishedLines } from '../../../../data/published'
import { requireCoach } from '../../../../request/coach'
import { idFromRoute } from '../../../../request/refuse'

export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  return publishedLines(coach, idFromRoute(event, 'playerId', 'player'))
})
