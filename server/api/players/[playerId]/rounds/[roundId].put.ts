import { RoundRecord } from '../../../../../shared/schemas/rounds'
import { putRound } from '../../../../data/rounds'
import { requireCoach } from '../../../../auth/coach'
import { idFromRoute, readChecked } from '../../../../ingest/refuse'
import { sameIdAsRoute } from '../../../../ingest/same-id'

/** A round as the browser knows it, under the browser's id. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  const record = sameIdAsRoute(event, 'roundId', 'round', await readChecked(event, RoundRecord))
  const round = await putRound(coach, playerId, record)
  return { taken: [round.id], round }
})
