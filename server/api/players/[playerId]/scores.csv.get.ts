import { bagOf } from '../../../data/bags'
import { findPlayer } from '../../../data/players'
import { practiceOf } from '../../../data/practice'
import { scoreTableText } from '../../../files/player-files'
import { requireCoach } from '../../../auth/coach'
import { fileName, sendAsFile } from '../../../files/send-written'
import { idFromRoute } from '../../../ingest/refuse'

/** Every ball of practice with the score of its go. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  const { player, school } = await findPlayer(coach, playerId)
  const [{ goes }, bag] = await Promise.all([practiceOf(coach, playerId), bagOf(playerId, school)])
  sendAsFile(event, `${fileName(player.name)}-scores.csv`, 'text/csv; charset=utf-8')
  return scoreTableText(bag, goes)
})
