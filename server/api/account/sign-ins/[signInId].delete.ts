import { endSignIn } from '../../../data/sign-ins'
import { requireCoach } from '../../../auth/coach'
import { idFromRoute } from '../../../ingest/refuse'

/** Signs out there: its cookie opens nothing any more. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  await endSignIn(coach, idFromRoute(event, 'signInId', 'sign-in'))
  return { ok: true }
})
