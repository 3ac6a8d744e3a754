import { roundsOf } from '../../../../data/rounds'
import { requireCoach } from '../../../../request/coach'
import { idFromRoute } from '../../../../request/refuse'

/** The player's rounds, newest first. */
export default defineEventHandler(async event => ({
  rounds: await roundsOf(await requireCoach(event), idFromRoute(event, 'playerId', 'player')),
}))
