import { AcademyFile } from '../../../shared/schemas/player-file'
import { bringInAcademy } from '../../data/bring-in'
import { requireCoach } from '../../auth/coach'
import { withOwnIds } from '../../ingest/player-file'
import { checked, fromJson } from '../../ingest/refuse'

/** Takes in ranges, drills and figures of another academy's file; its players come one by one. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const json = (await readRawBody(event, 'utf8')) ?? ''
  return bringInAcademy(coach, checked(AcademyFile, fromJson(withOwnIds(json, coach.academyId)), 'file'))
})
