import { moment, writeChartFile } from '../../../../core/files/chart-file'
import { rungName } from '../../../../core/swing/scale'
import { playerRecord } from '../../../data/records'
import { calibrateRecord } from '../../../data/summaries'
import { flagWords, stockShotName } from '../../../../shared/flag-words'
import { nextWords } from '../../../../shared/next-words'

/** The player's carry chart, ladder, flags and what to hit next, as the open chart file. */
export default defineEventHandler(async (event) => {
  const coach = await requireCoach(event)
  const record = await playerRecord(coach, idFromRoute(event, 'playerId', 'player'))
  const nowMs = Date.now()
  const club = new Map(record.bag.clubs.map(c => [c.id, c.label]))
  const swing = new Map(record.bag.scale.rungs.map(r => [r.id, rungName(r)]))
  const names = (cell: { clubId: string, rungId: string }) => ({ club: club.get(cell.clubId)!, swing: swing.get(cell.rungId)! })
  const nameOf = (cell: { clubId: string, rungId: string }) => stockShotName(club.get(cell.clubId)!, swing.get(cell.rungId)!)
  sendAsFile(event, `${fileName(record.player.name)}-chart.json`, 'application/json; charset=utf-8')
  return writeChartFile(moment(nowMs), calibrateRecord(record, nowMs), names, {
    finding: (finding) => {
      const { title, why, remedies } = flagWords(finding, nameOf, coach.unit)
      return { title, why, remedy: remedies.join(' ') }
    },
    next: next => nextWords(next, nameOf),
  })
})
