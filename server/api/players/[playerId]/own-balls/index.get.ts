import { waitingBalls } from '../../../../data/player-links'
import { requireCoach } from '../../../../auth/coach'
import { idFromRoute } from '../../../../ingest/refuse'

/** Balls of the player's own that wait for the coach's decision. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  return waitingBalls(coach, idFromRoute(event, 'playerId', 'player'))
})
