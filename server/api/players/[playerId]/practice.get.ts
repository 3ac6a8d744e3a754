import { practiceOf } from '../../../data/practice'
import { requireCoach } from '../../../auth/coach'
import { idFromRoute } from '../../../ingest/refuse'

/** Goes, homework and the academy's own drills. */
export default defineEventHandler(async event =>
  practiceOf(await requireCoach(event), idFromRoute(event, 'playerId', 'player')),
)
