import { findPlayer } from '../../../../../data/players'
import { findPublished } from '../../../../../data/published'
import { labelsPdf } from '../../../../../print/labels'
import { LabelQuery } from '../../../../../../shared/schemas/print-query'
import { requireCoach } from '../../../../../auth/coach'
import { fileName, sendAsFile } from '../../../../../files/send-written'
import { inksOf } from '../../../../../print/inks'
import { numberFromRoute } from '../../../../../ingest/query'
import { checked, idFromRoute } from '../../../../../ingest/refuse'

/** Labels for the shafts, on the chosen sheet. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  const { player } = await findPlayer(coach, playerId)
  const chart = await findPublished(coach, playerId, numberFromRoute(event))
  const { sheet, skip, unit, black } = checked(LabelQuery, getQuery(event), 'query')
  const pdf = await labelsPdf(chart, { sheet, skip, unit: unit ?? chart.unit, inks: inksOf(black) })
  sendAsFile(event, `${fileName(player.name)}-labels-${chart.number}.pdf`, 'application/pdf')
  return pdf
})
