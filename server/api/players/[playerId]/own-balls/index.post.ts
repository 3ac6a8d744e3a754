import { OwnBallDecision } from '../../../../../shared/schemas/player-link'
import { decideOwnBalls } from '../../../../data/player-links'
import { requireCoach } from '../../../../auth/coach'
import { idFromRoute, readChecked } from '../../../../ingest/refuse'

/** The coach's decision about balls that wait. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  const { ids, take } = await readChecked(event, OwnBallDecision)
  await decideOwnBalls(coach, playerId, ids, take)
  return { ok: true }
})
