import { findPlayer } from '../../../../../data/players'
import { findPublished } from '../../../../../data/published'
import { cardPdf } from '../../../../../print/card'
import { HomeAirQuery, PrintQuery } from '../../../../../../shared/schemas/print-query'
import { requireCoach } from '../../../../../auth/coach'
import { fileName, sendAsFile } from '../../../../../files/send-written'
import { inksOf } from '../../../../../print/inks'
import { numberFromRoute } from '../../../../../ingest/query'
import { checked, idFromRoute } from '../../../../../ingest/refuse'

/** The card for the pocket, or the sheet for the yardage book; for the home air where one is named. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  const { player } = await findPlayer(coach, playerId)
  const chart = await findPublished(coach, playerId, numberFromRoute(event))
  const query = getQuery(event)
  const { size, unit, black } = checked(PrintQuery, query, 'query')
  const home = query.tempC === undefined && query.altitudeM === undefined ? null : checked(HomeAirQuery, query, 'query')
  const pdf = await cardPdf(player.name, chart, { size, unit: unit ?? chart.unit, inks: inksOf(black), home })
  sendAsFile(event, `${fileName(player.name)}-card-${chart.number}.pdf`, 'application/pdf')
  return pdf
})
