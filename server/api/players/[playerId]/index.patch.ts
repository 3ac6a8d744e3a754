import { PlayerChange } from '../../../../shared/player'
import { changePlayer } from '../../../data/players'
import { requireCoach } from '../../../request/coach'
import { idFromRoute, readChecked } from '../../../request/refuse'

export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  return changePlayer(coach, playerId, await readChecked(event, PlayerChange))
})
