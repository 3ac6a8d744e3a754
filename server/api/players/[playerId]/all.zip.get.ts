import { practiceOf } from '../../../data/practice'
import { publishedChartsOf } from '../../../data/published'
import { roundsOf } from '../../../data/rounds'
import { playerRecord } from '../../../data/records'
import { playerZip } from '../../../files/player-zip'
import { requireCoach } from '../../../request/coach'
import { fileName, sameBytes, sendAsFile } from '../../../request/files'
import { idFromRoute } from '../../../request/refuse'

/** Everything that is kept of a player in one file. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const record = await playerRecord(coach, idFromRoute(event, 'playerId', 'player'))
  const [practice, rounds, published] = await Promise.all([
    practiceOf(coach, record.player.id),
    roundsOf(coach, record.player.id),
    publishedChartsOf(record.player.id),
  ])
  sendAsFile(event, `${fileName(record.player.name)}-all.zip`, 'application/zip')
  return sameBytes(await playerZip(record, practice, rounds, published))
})
