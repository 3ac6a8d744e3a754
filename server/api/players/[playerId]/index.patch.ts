import { PlayerChange } from '../../../../shared/player'
import { changePlayer } from '../../../data/players'

export default defineEventHandler(async (event) => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  return changePlayer(coach, playerId, await readChecked(event, PlayerChange))
})
