import { revokeProgram } from '../../../data/programs'
import { requireCoach } from '../../../auth/coach'
import { idFromRoute } from '../../../ingest/refuse'

/** Revoked: its key opens nothing any more. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  await revokeProgram(coach, idFromRoute(event, 'programId', 'key'))
  return { ok: true }
})
