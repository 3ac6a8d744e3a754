import { waitingBalls } from '../../../../data/player-links'

/** Balls of the player's own that wait for the coach's nod. */
export default defineEventHandler(async (event) => {
  const coach = await requireCoach(event)
  return waitingBalls(coach, idFromRoute(event, 'playerId', 'player'))
})
