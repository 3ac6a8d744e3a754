import { SessionRecord } from '../../../../../shared/session'
import { putSession } from '../../../../data/sessions'
import { requireCoach } from '../../../../request/coach'
import { tell } from '../../../../live'
import { idFromRoute, readChecked, refuse } from '../../../../request/refuse'

/** A session as the browser made it, under the browser's id. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  const record = await readChecked(event, SessionRecord)
  if (record.id !== idFromRoute(event, 'sessionId', 'session'))
    throw refuse(422, 'The session in the address is not the one that was sent.', [
      { field: 'id', message: 'The session in the address is not the one that was sent.' },
    ])
  const session = await putSession(coach, playerId, record)
  tell(session.id, { deviceId: null, shots: [], session })
  return { taken: [session.id], session }
})
