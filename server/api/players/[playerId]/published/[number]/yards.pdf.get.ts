import { YardsQuery } from '../../../../../../shared/schemas/print-query'
import { askerOf, workOut } from '../../../../../calibration/pool'
import { findPlayer } from '../../../../../data/players'
import { findPublished } from '../../../../../data/published'
import { inksOf } from '../../../../../print/inks'
import { yardsPdf } from '../../../../../print/yards'
import { requireCoach } from '../../../../../auth/coach'
import { fileName, sendAsFile } from '../../../../../files/send-written'
import { numberFromRoute } from '../../../../../ingest/query'
import { checked, idFromRoute } from '../../../../../ingest/refuse'

/** What to hit from where, on one page: worked out in a thread, since it is a hundred picks. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  const { player } = await findPlayer(coach, playerId)
  const chart = await findPublished(coach, playerId, numberFromRoute(event))
  const { unit = chart.unit, from, to, black } = checked(YardsQuery, getQuery(event), 'query')
  const yards = await workOut(askerOf(event, coach), playerId, 'yards', null, { chart, unit, from, to })
  const pdf = await yardsPdf(player.name, chart, yards, { unit, inks: inksOf(black) })
  sendAsFile(event, `${fileName(player.name)}-from-where-${chart.number}.pdf`, 'application/pdf')
  return pdf
})
