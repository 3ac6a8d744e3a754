import { groupBy } from '../../../../core/group-by'
import { ShotBatch } from '../../../../shared/schemas/session'
import { ballsKept } from '../../../counters'
import { logBall, putShots } from '../../../data/shots'
import { requireCoach, requireSession } from '../../../auth/coach'
import { isProgram } from '../../../auth/program'
import { tell } from '../../../live'
import { idFromRoute, readChecked } from '../../../ingest/refuse'

/** Balls as the browser knows them: new ones, and changed ones under their next version. */
export default defineEventHandler(async event => {
  const session = isProgram(event) ? null : await requireSession(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  const { shots } = await readChecked(event, ShotBatch)
  const logged = session && shots.length === 1 && (await logBall(session, playerId, shots[0]!))
  if (!logged) await putShots(await requireCoach(event), playerId, shots)
  ballsKept.inc({ by: 'coach' }, shots.length)
  event.context.changed = shots.length
  // Another screen on the same session sees them at once.
  for (const [sessionId, own] of groupBy(shots, shot => shot.sessionId)) tell(sessionId, { deviceId: null, shots: own })
  setResponseStatus(event, 202)
  return { taken: shots.map(shot => shot.id) }
})
