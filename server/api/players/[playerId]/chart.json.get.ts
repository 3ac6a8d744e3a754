import { dayOf } from '../../../../core/shot/player-shots'
import { askerOf, workOut } from '../../../calibration/pool'
import { findPlayer } from '../../../data/players'
import { requireCoach } from '../../../auth/coach'
import { fileName, sameBytes, sendAsFile } from '../../../files/send-written'
import { idFromRoute } from '../../../ingest/refuse'

/** The player's carry chart, ladder, flags and what to hit next, as the open chart file. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const { player } = await findPlayer(coach, idFromRoute(event, 'playerId', 'player'))
  const nowMs = Date.now()
  const file = await workOut(
    askerOf(event, coach),
    player.id,
    'chartFile',
    `${dayOf(nowMs)} ${coach.unit}`,
    nowMs,
    coach.unit,
  )
  sendAsFile(event, `${fileName(player.name)}-chart.json`, 'application/json; charset=utf-8')
  return sameBytes(file)
})
