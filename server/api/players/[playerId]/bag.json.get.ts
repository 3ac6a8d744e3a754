import { bagOf } from '../../../data/bags'
import { wordsOf } from '../../../data/cell-remarks'
import { findPlayer } from '../../../data/players'
import { bagFileText } from '../../../files/player-files'
import { requireCoach } from '../../../auth/coach'
import { fileName, sendAsFile } from '../../../files/send-written'
import { idFromRoute } from '../../../ingest/refuse'

/** The player's bag as the open bag file. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const { player, school } = await findPlayer(coach, idFromRoute(event, 'playerId', 'player'))
  sendAsFile(event, `${fileName(player.name)}-bag.json`, 'application/json; charset=utf-8')
  const [bag, words] = await Promise.all([bagOf(player.id, school), wordsOf(player.id)])
  return bagFileText(player, bag, words)
})
