import { OpenAccount } from '../../../shared/schemas/account'
import { openAccount, unsealSignUp } from '../../auth/new-account'
import { readChecked, refuse } from '../../ingest/refuse'
import { beginSignUp } from '../../limits/sign-in-limit'

/** Opens the account that a mailed address carries. */
export default defineEventHandler(async event => {
  const { token } = await readChecked(event, OpenAccount)
  await beginSignUp(event)
  const waiting = unsealSignUp(token)
  if (!waiting) throw refuse(404, 'This link opens nothing any more: it is too old, or not whole. Ask for another.', [])
  await openAccount(event, waiting)
  setResponseStatus(event, 201)
  return { ok: true }
})
