import { v7 as newId } from 'uuid'
import { SignUp } from '../../../shared/account'
import { createCoach } from '../../data/coaches'
import { enter } from '../../request/coach'
import { readChecked, refuse } from '../../request/refuse'
import { setting } from '../../settings'
import { beginSignUp } from '../../request/sign-in-limit'

/** A coach with an academy of one. An installation may close this door with UZZET_SIGN_UP=closed. */
export default defineEventHandler(async event => {
  if (setting('UZZET_SIGN_UP') === 'closed')
    throw refuse(403, 'New accounts are closed here: ask whoever runs this installation.')
  const { name, academy, email, password, unit } = await readChecked(event, SignUp)
  await beginSignUp(event)
  const passwordHash = await hashPassword(password)
  const coach = { id: newId(), academyId: newId(), name, academy, email, passwordHash, unit }
  if (!(await createCoach(coach))) {
    const message = `There is an account for ${email} already: sign in, or use another address.`
    throw refuse(409, message, [{ field: 'email', message }])
  }
  await enter(event, { id: coach.id, signInEpoch: 1 })
  setResponseStatus(event, 201)
  return { ok: true }
})
