import { roundsOf } from '../../../../data/rounds'
import { requireCoach } from '../../../../auth/coach'
import { idFromRoute } from '../../../../ingest/refuse'

/** The player's rounds, newest first. */
export default defineEventHandler(async event => ({
  rounds: await roundsOf(await requireCoach(event), idFromRoute(event, 'playerId', 'player')),
}))
