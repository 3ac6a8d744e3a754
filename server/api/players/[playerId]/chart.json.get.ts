import { labelsOf } from '../../../../core/bag/labels'
import { saidAt } from '../../../../core/chart/coach-word'
import { moment, writeChartFile } from '../../../../core/files/chart-file'
import { playerRecord } from '../../../data/records'
import { calibrateRecord } from '../../../data/summaries'
import { chartWords } from '../../../../shared/chart-words'

/** The player's carry chart, ladder, flags and what to hit next, as the open chart file. */
export default defineEventHandler(async (event) => {
  const coach = await requireCoach(event)
  const record = await playerRecord(coach, idFromRoute(event, 'playerId', 'player'))
  const nowMs = Date.now()
  const names = labelsOf(record.bag)
  sendAsFile(event, `${fileName(record.player.name)}-chart.json`, 'application/json; charset=utf-8')
  return writeChartFile(moment(nowMs), calibrateRecord(record, nowMs), names, chartWords(names, coach.unit), saidAt(record.words, Infinity))
})
