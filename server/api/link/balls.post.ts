import { OwnBalls } from '../../../shared/schemas/player-link'
import { putOwnBalls } from '../../data/player-links'
import { requireLink } from '../../auth/link'
import { readChecked, refuse } from '../../ingest/refuse'

/** The player's own balls. They wait for the coach's nod before they count. */
export default defineEventHandler(async event => {
  const link = await requireLink(event)
  if (link.strength !== 'log')
    throw refuse(403, 'This link shows the chart; it does not take balls. Ask your coach for one that does.')
  event.context.change = { playerId: link.playerId, kind: 'by-player', coachId: null }
  const { balls } = await readChecked(event, OwnBalls)
  event.context.changed = balls.length
  setResponseStatus(event, 202)
  return putOwnBalls(link, balls)
})
