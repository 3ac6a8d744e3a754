import { findPublished } from '../../../../../data/published'

export default defineEventHandler(async (event) => {
  const coach = await requireCoach(event)
  return findPublished(coach, idFromRoute(event, 'playerId', 'player'), numberFromRoute(event))
})
