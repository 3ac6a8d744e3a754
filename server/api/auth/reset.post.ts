import { Reset } from '../../../shared/schemas/academy'
import { guessable } from '../../../shared/password'
import { applyReset, resetFor } from '../../data/resets'
import { secondFactorOf } from '../../data/second-factors'
import { enter } from '../../auth/coach'
import { hashOfToken } from '../../auth/device'
import { noticeOf } from '../../auth/notice'
import { hashOfNew } from '../../auth/new-password'
import { readChecked, refuse } from '../../ingest/refuse'
import { checkSecondFactor } from '../../auth/second-factor'
import { beginOwnAttempt } from '../../limits/sign-in-limit'
import { beginLook } from '../../limits/look-limit'

/** A new password by the owner's way to it: everywhere else this person is signed out. */
export default defineEventHandler(async event => {
  await beginLook(event)
  const { token, password, code } = await readChecked(event, Reset)
  const tokenHash = hashOfToken(token)
  const { id, name, email, academy } = await resetFor(tokenHash)
  const message = guessable(password, [email, name, academy])
  if (message) throw refuse(422, message, [{ field: 'password', message }])
  // Who reads somebody's mail has not their phone.
  const factor = await secondFactorOf(id)
  if (factor) {
    const succeeded = await beginOwnAttempt(event, id)
    await checkSecondFactor(id, factor, code)
    await succeeded()
  }
  await enter(event, await applyReset(tokenHash, await hashOfNew(password)))
  noticeOf(event, id, 'password')
  return { ok: true }
})
