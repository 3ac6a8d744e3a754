import { OwnPassword } from '../../../../shared/schemas/account'
import { endSecondFactor } from '../../../data/second-factors'
import { requireCoach } from '../../../auth/coach'
import { noticeOf } from '../../../auth/notice'
import { checkOwnPassword } from '../../../auth/own-password'
import { readChecked } from '../../../ingest/refuse'

/** The password alone is enough again. Asked by who is signed in, and knows it. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const { current } = await readChecked(event, OwnPassword)
  await checkOwnPassword(event, coach, current)
  await endSecondFactor(coach.id)
  noticeOf(event, coach.id, 'factorOff')
  return { ok: true }
})
