import { takeInvitationBack } from '../../../data/people'
import { requireCoach } from '../../../auth/coach'
import { idFromRoute } from '../../../ingest/refuse'

/** Taken back: it lets nobody in any more. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  await takeInvitationBack(coach, idFromRoute(event, 'invitationId', 'invitation'))
  return { ok: true }
})
