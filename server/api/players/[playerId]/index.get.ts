import { playerRecord } from '../../../data/records'

/** Player, bag, sessions and shots: what every stage works from. */
export default defineEventHandler(async (event) => {
  const coach = await requireCoach(event)
  return playerRecord(coach, idFromRoute(event, 'playerId', 'player'))
})
