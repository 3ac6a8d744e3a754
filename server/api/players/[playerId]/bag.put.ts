import { BagChange } from '../../../../shared/bag'
import { saveBag } from '../../../data/bags'

export default defineEventHandler(async (event) => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  return saveBag(coach, playerId, await readChecked(event, BagChange))
})
