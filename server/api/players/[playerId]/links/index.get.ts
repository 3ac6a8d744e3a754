import { linksOf } from '../../../../data/player-links'

export default defineEventHandler(async (event) => {
  const coach = await requireCoach(event)
  return linksOf(coach, idFromRoute(event, 'playerId', 'player'))
})
