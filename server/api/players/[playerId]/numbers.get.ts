import { dayOf } from '../../../../core/shot/player-shots'
import { askerOf, workOut } from '../../../calibration/pool'
import { requireCoach } from '../../../auth/coach'
import { sendWritten } from '../../../files/send-written'
import { idFromRoute } from '../../../ingest/refuse'

/**
 * What a player's record says, worked out here: for a device that has not worked it out before, and shows this while it
 * does. Written with the parts that plain JSON has no words for (`app/calculation/served-numbers.ts` reads it).
 */
export default defineEventHandler(async (event): Promise<unknown[]> => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  const nowMs = Date.now()
  const by = `${useRuntimeConfig().app.buildId} ${coach.unit}`
  const key = `${dayOf(nowMs)} ${by}`
  return sendWritten(event, await workOut(askerOf(event, coach), playerId, 'numbers', key, nowMs, coach.unit, by))
})
