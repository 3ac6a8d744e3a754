import { revokeDevice } from '../../../data/devices'
import { requireCoach } from '../../../auth/coach'
import { idFromRoute } from '../../../ingest/refuse'

/** Revoked: its token opens nothing any more. What it sent stays. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  await revokeDevice(coach, idFromRoute(event, 'deviceId', 'device'))
  return { ok: true }
})
