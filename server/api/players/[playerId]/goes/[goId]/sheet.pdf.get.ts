import { rungName } from '../../../../../../core/swing/scale'
import { SheetQuery } from '../../../../../../shared/schemas/print-query'
import { drillTexts } from '../../../../../../words/practice'
import { stockShotName } from '../../../../../../words/stock-shot'
import { bagOf } from '../../../../../data/bags'
import { findPlayer } from '../../../../../data/players'
import { findGo } from '../../../../../data/practice'
import { inksOf } from '../../../../../print/inks'
import { scoreSheetPdf } from '../../../../../print/score-sheet'
import { requireCoach } from '../../../../../auth/coach'
import { fileName, sendAsFile } from '../../../../../files/send-written'
import { checked, idFromRoute } from '../../../../../ingest/refuse'

/** A blank sheet for who wants paper; its figures are typed into the go afterwards. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  const { player, school } = await findPlayer(coach, playerId)
  const { spec, name } = await findGo(playerId, idFromRoute(event, 'goId', 'go'))
  const bag = await bagOf(playerId, school)
  const { unit = 'yd', black } = checked(SheetQuery, getQuery(event), 'query')
  const clubs = new Map(bag.clubs.map(({ id, label }) => [id, label]))
  const swings = new Map(bag.scale.rungs.map(rung => [rung.id, rungName(rung)]))
  const club = (id: string) => clubs.get(id) ?? ''
  const title = name || drillTexts(spec.drill).title
  const names = {
    unit,
    club,
    shot: ({ clubId, rungId }: { clubId: string; rungId: string }) =>
      stockShotName(club(clubId), swings.get(rungId) ?? ''),
  }
  const pdf = await scoreSheetPdf(player.name, title, spec, names, inksOf(black))
  sendAsFile(event, `${fileName(player.name)}-${fileName(title)}.pdf`, 'application/pdf')
  return pdf
})
