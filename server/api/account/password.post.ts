import { PasswordChange } from '../../../shared/schemas/account'
import { changePassword } from '../../data/coaches'
import { endOtherSignIns } from '../../data/sign-ins'
import { enter, requireCoach, requireSession } from '../../auth/coach'
import { checkOwnPassword } from '../../auth/own-password'
import { noticeOf } from '../../auth/notice'
import { hashOfNew } from '../../auth/new-password'
import { readChecked } from '../../ingest/refuse'

/** A new password. All other sessions of this coach end; this one goes on. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const { current, password } = await readChecked(event, PasswordChange)
  await checkOwnPassword(event, coach, current)
  const signInEpoch = await changePassword(coach, await hashOfNew(password))
  noticeOf(event, coach.id, 'password')
  const { signInId } = await requireSession(event)
  await endOtherSignIns(coach.id, signInId)
  await enter(event, { id: coach.id, signInEpoch }, signInId)
  return { ok: true }
})
