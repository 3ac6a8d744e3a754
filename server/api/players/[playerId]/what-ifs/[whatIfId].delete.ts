import { dropWhatIf, keptWhatIfs } from '../../../../data/what-ifs'
import { requireCoach } from '../../../../auth/coach'
import { idFromRoute } from '../../../../ingest/refuse'

export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  await dropWhatIf(coach, playerId, idFromRoute(event, 'whatIfId', 'kept bag'))
  return keptWhatIfs(coach, playerId)
})
