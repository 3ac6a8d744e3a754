import { AcademyFile } from '../../../shared/schemas/player-file'
import { bringInAcademy } from '../../data/bring-in'
import { requireCoach } from '../../request/coach'
import { withOwnIds } from '../../request/player-file'
import { checked, fromJson } from '../../request/refuse'

/** Takes in ranges, drills and figures of another academy's file; its players come one by one. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const json = (await readRawBody(event, 'utf8')) ?? ''
  return bringInAcademy(coach, checked(AcademyFile, fromJson(withOwnIds(json, coach.academyId)), 'file'))
})
