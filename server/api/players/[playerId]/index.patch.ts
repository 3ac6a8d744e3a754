import { PlayerChange } from '../../../../shared/schemas/player'
import { changePlayer } from '../../../data/players'
import { requireCoach } from '../../../auth/coach'
import { idFromRoute, readChecked } from '../../../ingest/refuse'

export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  const change = await readChecked(event, PlayerChange)
  const player = await changePlayer(coach, playerId, change)
  if (change.guardian !== undefined) event.context.change = { playerId, kind: 'consent', coachId: coach.id }
  return player
})
