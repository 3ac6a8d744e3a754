import { GoRecord } from '../../../shared/schemas/practice'
import { putOwnGo } from '../../data/practice'
import { requireLink } from '../../auth/link'
import { readChecked, refuse } from '../../ingest/refuse'

/** A go of homework from the player's phone. */
export default defineEventHandler(async event => {
  const link = await requireLink(event)
  if (link.strength !== 'log')
    throw refuse(403, 'This link shows the chart; it does not take scores. Ask your coach for one that does.')
  event.context.change = { playerId: link.playerId, kind: 'by-player', coachId: null }
  const go = await putOwnGo(link.playerId, await readChecked(event, GoRecord))
  return { taken: [go.id], go }
})
