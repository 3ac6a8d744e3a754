import { publishedLines } from '../../../../data/published'

export default defineEventHandler(async (event) => {
  const coach = await requireCoach(event)
  return publishedLines(coach, idFromRoute(event, 'playerId', 'player'))
})
