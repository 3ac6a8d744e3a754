import { askerOf } from '../../../calibration/pool'
import { inksOf } from '../../../print/inks'
import { reviewPdf } from '../../../print/review'
import { requireCoach } from '../../../auth/coach'
import { fileName, sendAsFile } from '../../../files/send-written'
import { reviewPeriod } from '../../../ingest/review'

/** The same on a page that can be handed over. */
export default defineEventHandler(async event => {
  const { review, black } = await reviewPeriod(event, askerOf(event, await requireCoach(event)))
  const pdf = await reviewPdf(review, inksOf(black))
  sendAsFile(event, `${fileName(review.player)}-review.pdf`, 'application/pdf')
  return pdf
})
