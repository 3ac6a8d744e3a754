import { askerOf } from '../../../calibration/pool'
import { reviewPeriod } from '../../../request/review'
import { requireCoach } from '../../../request/coach'

/** A player over a period, in words. */
export default defineEventHandler(
  async event => (await reviewPeriod(event, askerOf(event, await requireCoach(event)))).review,
)
