import { GoRecord } from '../../../../../../shared/schemas/practice'
import { putCoachedGo } from '../../../../../data/practice'
import { requireCoach } from '../../../../../request/coach'
import { idFromRoute, readChecked } from '../../../../../request/refuse'
import { sameIdAsRoute } from '../../../../../request/same-id'

/** A go as the browser made it, under the browser's id. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  const record = sameIdAsRoute(event, 'goId', 'go', await readChecked(event, GoRecord))
  const go = await putCoachedGo(coach, playerId, record)
  return { taken: [go.id], go }
})
