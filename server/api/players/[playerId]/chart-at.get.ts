import { askerOf, workOut } from '../../../calibration/pool'
import { requireCoach } from '../../../auth/coach'
import { momentOf } from '../../../ingest/query'
import { idFromRoute } from '../../../ingest/refuse'

/** The carry chart as it stood at the end of a past moment: what was hit later is not known there. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const atMs = momentOf('at', getQuery(event).at)
  return workOut(askerOf(event, coach), idFromRoute(event, 'playerId', 'player'), 'chartAt', String(atMs), atMs)
})
