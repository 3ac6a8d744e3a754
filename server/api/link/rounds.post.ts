import { RoundRecord } from '../../../shared/schemas/rounds'
import { putOwnRound } from '../../data/rounds'
import { requireLink } from '../../auth/link'
import { readChecked, refuse } from '../../ingest/refuse'

/** A round from the player's phone. It waits for the coach's nod before it counts. */
export default defineEventHandler(async event => {
  const link = await requireLink(event)
  if (link.strength !== 'log')
    throw refuse(403, 'This link shows the chart; it does not take rounds. Ask your coach for one that does.')
  event.context.change = { playerId: link.playerId, kind: 'by-player', coachId: null }
  const round = await readChecked(event, RoundRecord)
  await putOwnRound(link, round)
  setResponseStatus(event, 202)
  return { taken: [round.id] }
})
