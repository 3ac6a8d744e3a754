import { playerRecord } from '../../../data/records'
import { shotTableText } from '../../../files/player-files'
import { requireCoach } from '../../../auth/coach'
import { fileName, sendAsFile } from '../../../files/send-written'
import { idFromRoute } from '../../../ingest/refuse'

/** The player's shots as the open shot table. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const record = await playerRecord(coach, idFromRoute(event, 'playerId', 'player'))
  sendAsFile(event, `${fileName(record.player.name)}-shots.csv`, 'text/csv; charset=utf-8')
  return shotTableText(record)
})
