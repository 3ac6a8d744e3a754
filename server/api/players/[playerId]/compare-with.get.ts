import { comparePlayers } from '../../../../core/chart/compare-players'
import { chartAt } from '../../../data/published'
import { playerRecord } from '../../../data/records'
import { Id } from '../../../../shared/text'

/** Stock shots that this player and another of the academy both have, side by side. */
export default defineEventHandler(async (event) => {
  const coach = await requireCoach(event)
  const nowMs = Date.now()
  const sideOfPlayer = async (playerId: string) => {
    const record = await playerRecord(coach, playerId)
    return { bag: record.bag, chart: chartAt(record, nowMs).chart }
  }
  const playerId = idFromRoute(event, 'playerId', 'player')
  const other = checked(Id, getQuery(event).other, 'other')
  return comparePlayers(await sideOfPlayer(playerId), await sideOfPlayer(other))
})
