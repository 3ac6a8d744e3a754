import { revokeProgram } from '../../../data/programs'
import { requireCoach } from '../../../request/coach'
import { idFromRoute } from '../../../request/refuse'

/** Revoked: its key opens nothing any more. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  await revokeProgram(coach, idFromRoute(event, 'programId', 'key'))
  return { ok: true }
})
