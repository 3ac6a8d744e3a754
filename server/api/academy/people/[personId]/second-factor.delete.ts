import { endSecondFactorOf } from '../../../../data/second-factors'
import { requireCoach } from '../../../../auth/coach'
import { noticeOf } from '../../../../auth/notice'
import { idFromRoute } from '../../../../ingest/refuse'

/** For somebody who lost the phone and the spare codes: the password alone is enough again. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const personId = idFromRoute(event, 'personId', 'person')
  await endSecondFactorOf(coach, personId)
  noticeOf(event, personId, 'factorOff')
  return { ok: true }
})
