import type { RangeLandings } from '../../../../shared/range'
import { landingsOf } from '../../../data/ranges'
import { requireCoach } from '../../../auth/coach'
import { idFromRoute } from '../../../ingest/refuse'

/** Where the balls of the newest sessions on a range pitched, as far as their sides were measured. */
export default defineEventHandler(async (event): Promise<RangeLandings[]> => {
  const coach = await requireCoach(event)
  return landingsOf(coach, idFromRoute(event, 'rangeId', 'range'))
})
