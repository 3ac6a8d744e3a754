import { OwnPassword } from '../../../../shared/schemas/account'
import { endSecondFactor } from '../../../data/second-factors'
import { requireCoach } from '../../../request/coach'
import { noticeOf } from '../../../request/notice'
import { checkOwnPassword } from '../../../request/own-password'
import { readChecked } from '../../../request/refuse'

/** The password alone is enough again. Asked by who is signed in, and knows it. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const { current } = await readChecked(event, OwnPassword)
  await checkOwnPassword(event, coach, current)
  await endSecondFactor(coach.id)
  noticeOf(event, coach.id, 'factorOff')
  return { ok: true }
})
