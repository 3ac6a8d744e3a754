import { endSecondFactorOf } from '../../../../data/second-factors'
import { requireCoach } from '../../../../request/coach'
import { noticeOf } from '../../../../request/notice'
import { idFromRoute } from '../../../../request/refuse'

/** For somebody who lost the phone and the spare codes: the password alone is enough again. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const personId = idFromRoute(event, 'personId', 'person')
  await endSecondFactorOf(coach, personId)
  noticeOf(event, personId, 'factorOff')
  return { ok: true }
})
