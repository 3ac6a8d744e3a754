import { PasswordChange } from '../../../shared/account'
import { changePassword, passwordHashOf } from '../../data/coaches'
import { endOtherSignIns } from '../../data/sign-ins'
import { enter, requireCoach, requireSession } from '../../request/coach'
import { readChecked, refuse } from '../../request/refuse'
import { beginOwnAttempt } from '../../request/sign-in-limit'

/** A new password. All other sessions of this coach end; this one goes on. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const { current, password } = await readChecked(event, PasswordChange)
  const succeeded = await beginOwnAttempt(event, coach.id)
  if (!(await verifyPassword(await passwordHashOf(coach), current))) {
    const message = 'The current password is not right.'
    throw refuse(422, message, [{ field: 'current', message }])
  }
  await succeeded()
  const signInEpoch = await changePassword(coach, await hashPassword(password))
  const { signInId } = await requireSession(event)
  await endOtherSignIns(coach.id, signInId)
  await enter(event, { id: coach.id, signInEpoch }, signInId)
  return { ok: true }
})
