import { wholeRecord } from '../../../data/whole-record'
import { playerZip } from '../../../files/player-zip'
import { requireCoach } from '../../../auth/coach'
import { fileName, sameBytes, sendAsFile } from '../../../files/send-written'
import { idFromRoute } from '../../../ingest/refuse'

/** Everything that is kept of a player in one file. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const whole = await wholeRecord(coach, idFromRoute(event, 'playerId', 'player'))
  sendAsFile(event, `${fileName(whole.record.player.name)}-all.zip`, 'application/zip')
  return sameBytes(await playerZip(whole))
})
