import { NewInvitation } from '../../../../shared/schemas/academy'
import type { MadeInvitation } from '../../../../shared/academy'
import { invite } from '../../../data/people'
import { requireCoach } from '../../../auth/coach'
import { hashOfToken, newToken } from '../../../auth/device'
import { readChecked } from '../../../ingest/refuse'

/** A way in for somebody else. Its token is in this answer and nowhere else. */
export default defineEventHandler(async (event): Promise<MadeInvitation> => {
  const coach = await requireCoach(event)
  const asked = await readChecked(event, NewInvitation)
  const token = newToken()
  const made = await invite(coach, asked, hashOfToken(token))
  setResponseStatus(event, 201)
  return { ...made, token }
})
