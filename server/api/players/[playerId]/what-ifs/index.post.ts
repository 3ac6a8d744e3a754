import { NewWhatIf } from '../../../../../shared/schemas/what-if'
import { keepWhatIf, keptWhatIfs } from '../../../../data/what-ifs'
import { requireCoach } from '../../../../auth/coach'
import { idFromRoute, readChecked } from '../../../../ingest/refuse'

export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  await keepWhatIf(coach, playerId, await readChecked(event, NewWhatIf))
  setResponseStatus(event, 201)
  return keptWhatIfs(coach, playerId)
})
