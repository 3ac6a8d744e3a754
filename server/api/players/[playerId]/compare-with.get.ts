import { comparePlayers } from '../../../../core/history/compare-players'
import { dayOf } from '../../../../core/shot/player-shots'
import { askerOf, workOut } from '../../../calibration/pool'
import { bagOf } from '../../../data/bags'
import { findPlayer } from '../../../data/players'
import { Id } from '../../../../shared/schemas/text'
import { requireCoach } from '../../../auth/coach'
import { checked, idFromRoute } from '../../../ingest/refuse'

/** Stock shots that this player and another of the academy both have, side by side. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const asker = askerOf(event, coach)
  const nowMs = Date.now()
  const sideOfPlayer = async (id: string) => {
    const { player, school } = await findPlayer(coach, id)
    const { chart } = await workOut(asker, player.id, 'chartAt', `today ${dayOf(nowMs)}`, nowMs)
    return { bag: await bagOf(player.id, school), chart }
  }
  const playerId = idFromRoute(event, 'playerId', 'player')
  const other = checked(Id, getQuery(event).other, 'other')
  return comparePlayers(await sideOfPlayer(playerId), await sideOfPlayer(other))
})
