import type { HistoryLine } from '../../../../core/history/record-change'
import { historyOf } from '../../../data/history'
import { requireCoach } from '../../../auth/coach'
import { idFromRoute, refuse } from '../../../ingest/refuse'

/** Who changed what of a player, newest first; `?before=` the last line known goes on from there. */
export default defineEventHandler(async (event): Promise<HistoryLine[]> => {
  const coach = await requireCoach(event)
  const asked = getQuery(event).before
  const before = asked === undefined ? undefined : typeof asked === 'string' ? asked.slice(0, 40) : 'several'
  const line = before === undefined ? undefined : Number(before)
  if (line !== undefined && !(Number.isSafeInteger(line) && line > 0))
    throw refuse(422, `before: "${before}" is no line of a history.`)
  return historyOf(coach, idFromRoute(event, 'playerId', 'player'), line)
})
