import type { MadeReset } from '../../../../../shared/academy'
import { makeReset } from '../../../../data/resets'
import { requireCoach } from '../../../../auth/coach'
import { hashOfToken, newToken } from '../../../../auth/device'
import { idFromRoute } from '../../../../ingest/refuse'

/** A way to a new password for somebody who lost theirs. Its token is in this answer and nowhere else. */
export default defineEventHandler(async (event): Promise<MadeReset> => {
  const coach = await requireCoach(event)
  const token = newToken()
  const made = await makeReset(coach, idFromRoute(event, 'personId', 'person'), hashOfToken(token))
  setResponseStatus(event, 201)
  return { ...made, token }
})
