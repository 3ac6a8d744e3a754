import { NewPlayer } from '../../../shared/schemas/player'
import { createPlayer } from '../../data/players'
import { requireCoach } from '../../auth/coach'
import { readChecked } from '../../ingest/refuse'

export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const player = await createPlayer(coach, await readChecked(event, NewPlayer))
  event.context.change = { playerId: player.id, kind: 'added', coachId: coach.id }
  setResponseStatus(event, 201)
  return player
})
