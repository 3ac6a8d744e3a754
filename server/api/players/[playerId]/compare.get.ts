import { askerOf } from '../../../calibration/pool'
import { compareDays } from '../../../data/published'
import { requireCoach } from '../../../auth/coach'
import { sideOf } from '../../../ingest/query'
import { idFromRoute } from '../../../ingest/refuse'

/** What moved between two days (milliseconds) or two published charts ("number:3"). */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const { from, to } = getQuery(event)
  return compareDays(
    askerOf(event, coach),
    idFromRoute(event, 'playerId', 'player'),
    sideOf('from', from),
    sideOf('to', to),
  )
})
