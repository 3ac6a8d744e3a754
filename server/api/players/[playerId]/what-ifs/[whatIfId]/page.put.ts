import { HandOver } from '../../../../../../shared/handed-bag'
import { handOver, keptWhatIfs } from '../../../../../data/what-ifs'

export default defineEventHandler(async (event) => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  await handOver(coach, playerId, idFromRoute(event, 'whatIfId', 'kept bag'), (await readChecked(event, HandOver)).page)
  return keptWhatIfs(coach, playerId)
})
