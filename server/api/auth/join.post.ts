import { Join } from '../../../shared/schemas/academy'
import { invitedTo, join } from '../../data/people'
import { enter } from '../../auth/coach'
import { hashOfToken } from '../../auth/device'
import { hashOfNew } from '../../auth/new-password'
import { readChecked } from '../../ingest/refuse'
import { beginSignUp } from '../../limits/sign-in-limit'

/** Comes in by an invitation, with an account of one's own. */
export default defineEventHandler(async event => {
  const { token, name, email, password } = await readChecked(event, Join)
  const tokenHash = hashOfToken(token)
  // Looked at before the work of a password is done.
  await invitedTo(tokenHash)
  await beginSignUp(event)
  await enter(event, await join(tokenHash, { name, email, passwordHash: await hashOfNew(password) }))
  setResponseStatus(event, 201)
  return { ok: true }
})
