import { SessionRecord } from '../../../../../shared/schemas/session'
import { putSession } from '../../../../data/sessions'
import { requireCoach } from '../../../../auth/coach'
import { tell } from '../../../../live'
import { idFromRoute, readChecked } from '../../../../ingest/refuse'
import { sameIdAsRoute } from '../../../../ingest/same-id'

/** A session as the browser made it, under the browser's id. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  const record = sameIdAsRoute(event, 'sessionId', 'session', await readChecked(event, SessionRecord))
  const session = await putSession(coach, playerId, record)
  tell(session.id, { deviceId: null, shots: [], session })
  return { taken: [session.id], session }
})
