import type { PlayerRecord } from '../../../../shared/record'
import { askerOf, workOut } from '../../../calibration/pool'
import { countShots } from '../../../data/player-stamp'
import { playerRecord } from '../../../data/records'
import { requireCoach } from '../../../auth/coach'
import { sendWritten } from '../../../files/send-written'
import { idFromRoute } from '../../../ingest/refuse'

/** From so many balls on, reading and writing them out would hold up others' requests. */
const MANY_SHOTS = 2000

/** Player, bag, sessions and shots: what every stage works from. */
export default defineEventHandler(async (event): Promise<PlayerRecord> => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  if ((await countShots(coach, playerId)) < MANY_SHOTS) return playerRecord(coach, playerId)
  // Opened again unchanged, it is written out already.
  return sendWritten<PlayerRecord>(event, await workOut(askerOf(event, coach), playerId, 'record', ''))
})
