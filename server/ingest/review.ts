import type { H3Event } from 'h3'
import { dayOf } from '../../core/shot/player-shots'
import { ReviewQuery } from '../../shared/schemas/review'
import type { Review } from '../../words/review'
import { workOut, type Asker } from '../calibration/pool'
import { findPlayer } from '../data/players'
import { checked, idFromRoute } from './refuse'

/** The review that an address asks for; a period never ends after now. @throws 404 or 422 */
export async function reviewPeriod(event: H3Event, asker: Asker): Promise<{ review: Review; black: boolean }> {
  const playerId = idFromRoute(event, 'playerId', 'player')
  await findPlayer(asker.coach, playerId)
  const { from: fromMs, to, unit = asker.coach.unit, black } = checked(ReviewQuery, getQuery(event), 'query')
  const nowMs = Date.now()
  const toMs = Math.min(to, nowMs)
  const keep = `${fromMs} ${to > nowMs ? dayOf(nowMs) : toMs} ${unit}`
  return { review: await workOut(asker, playerId, 'review', keep, { fromMs, toMs, nowMs, unit }), black }
}
