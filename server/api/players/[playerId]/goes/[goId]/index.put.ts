import { GoRecord } from '../../../../../../shared/schemas/practice'
import { putCoachedGo } from '../../../../../data/practice'
import { requireCoach } from '../../../../../auth/coach'
import { idFromRoute, readChecked } from '../../../../../ingest/refuse'
import { sameIdAsRoute } from '../../../../../ingest/same-id'

/** A go as the browser made it, under the browser's id. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  const record = sameIdAsRoute(event, 'goId', 'go', await readChecked(event, GoRecord))
  const go = await putCoachedGo(coach, playerId, record)
  return { taken: [go.id], go }
})
