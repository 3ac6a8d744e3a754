import { endSecondFactorOf } from '../../../../data/second-factors'
import { requireCoach } from '../../../../request/coach'
import { idFromRoute } from '../../../../request/refuse'

/** For somebody who lost the phone and the spare codes: the password alone is enough again. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  await endSecondFactorOf(coach, idFromRoute(event, 'personId', 'person'))
  return { ok: true }
})
