import { SessionMove } from '../../../../../../shared/schemas/session'
import { moveSession } from '../../../../../data/session-move'
import { requireCoach } from '../../../../../auth/coach'
import { idFromRoute, readChecked } from '../../../../../ingest/refuse'

/** A session that was hit by another player of the academy, with all its balls. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const { toPlayerId } = await readChecked(event, SessionMove)
  await moveSession(
    coach,
    idFromRoute(event, 'playerId', 'player'),
    idFromRoute(event, 'sessionId', 'session'),
    toPlayerId,
  )
  return { ok: true }
})
