import { askerOf } from '../../../calibration/pool'
import { reviewPeriod } from '../../../ingest/review'
import { requireCoach } from '../../../auth/coach'

/** A player over a period, in words. */
export default defineEventHandler(
  async event => (await reviewPeriod(event, askerOf(event, await requireCoach(event)))).review,
)
