import { Reset } from '../../../shared/academy'
import { guessable } from '../../../shared/password'
import { applyReset, resetFor } from '../../data/resets'
import { enter } from '../../request/coach'
import { hashOfToken } from '../../request/device'
import { readChecked, refuse } from '../../request/refuse'

/** A new password by the owner's way to it: everywhere else this person is signed out. */
export default defineEventHandler(async event => {
  const { token, password } = await readChecked(event, Reset)
  const tokenHash = hashOfToken(token)
  const { name, email, academy } = await resetFor(tokenHash)
  const message = guessable(password, [email, name, academy])
  if (message) throw refuse(422, message, [{ field: 'password', message }])
  await enter(event, await applyReset(tokenHash, await hashPassword(password)))
  return { ok: true }
})
