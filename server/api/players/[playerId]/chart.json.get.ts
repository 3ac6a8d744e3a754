import { labelsOf } from '../../../../core/bag/labels'
import { dayOf } from '../../../../core/chart/grid-fit'
import { saidAt } from '../../../../core/chart/coach-word'
import { moment, writeChartFile } from '../../../../core/files/chart-file'
import { askerOf, workOut } from '../../../calibration/pool'
import { bagOf } from '../../../data/bags'
import { wordsOf } from '../../../data/cell-words'
import { findPlayer } from '../../../data/players'
import { chartWords } from '../../../../shared/chart-words'

/** The player's carry chart, ladder, flags and what to hit next, as the open chart file. */
export default defineEventHandler(async (event) => {
  const coach = await requireCoach(event)
  const { player, school } = await findPlayer(coach, idFromRoute(event, 'playerId', 'player'))
  const nowMs = Date.now()
  const [calibration, bag, words] = await Promise.all([
    workOut(askerOf(event, coach), player.id, 'calibration', String(dayOf(nowMs)), nowMs), bagOf(player.id, school), wordsOf(player.id),
  ])
  const names = labelsOf(bag)
  sendAsFile(event, `${fileName(player.name)}-chart.json`, 'application/json; charset=utf-8')
  return writeChartFile(moment(nowMs), calibration, names, chartWords(names, coach.unit), saidAt(words, Infinity))
})
