import { BagChange } from '../../../../shared/schemas/bag'
import { saveBag } from '../../../data/bags'
import { requireCoach } from '../../../auth/coach'
import { idFromRoute, readChecked } from '../../../ingest/refuse'

export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  return saveBag(coach, playerId, await readChecked(event, BagChange))
})
