import { playerRecord } from '../../../data/records'
import { chartAt } from '../../../data/published'

/** The carry chart as it stood at the end of a past moment: what was hit later is not known there. */
export default defineEventHandler(async (event) => {
  const coach = await requireCoach(event)
  const record = await playerRecord(coach, idFromRoute(event, 'playerId', 'player'))
  const { chart, air } = chartAt(record, momentOf('at', getQuery(event).at))
  return { chart, air }
})
