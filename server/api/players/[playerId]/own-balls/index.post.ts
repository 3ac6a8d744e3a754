import { Nod } from '../../../../../shared/player-link'
import { nod } from '../../../../data/player-links'

/** The coach's nod about balls that wait. */
export default defineEventHandler(async (event) => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  const { ids, take } = await readChecked(event, Nod)
  await nod(coach, playerId, ids, take)
  return { ok: true }
})
