import { leave } from '../../auth/coach'

/** Ends it on the server too: a copy of the cookie opens nothing any more. */
export default defineEventHandler(async event => {
  await leave(event)
  return { ok: true }
})
