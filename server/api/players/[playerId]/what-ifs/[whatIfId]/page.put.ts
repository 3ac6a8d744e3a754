import { HandOver } from '../../../../../../shared/schemas/handed-bag'
import { handOver, keptWhatIfs } from '../../../../../data/what-ifs'
import { requireCoach } from '../../../../../auth/coach'
import { idFromRoute, readChecked } from '../../../../../ingest/refuse'

export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  await handOver(coach, playerId, idFromRoute(event, 'whatIfId', 'kept bag'), (await readChecked(event, HandOver)).page)
  return keptWhatIfs(coach, playerId)
})
