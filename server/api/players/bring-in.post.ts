import { bringIn, namespaceFor } from '../../data/bring-in'
import { requireCoach } from '../../auth/coach'
import { readPlayerFile } from '../../ingest/player-file'

/** Takes in a player's whole record from the file of another academy, all or nothing. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const file = await readPlayerFile(event, coach.academyId, playerId => namespaceFor(coach, playerId))
  const brought = await bringIn(coach, file)
  event.context.change = { playerId: brought.id, kind: 'brought-in', coachId: coach.id }
  setResponseStatus(event, 201)
  return brought
})
