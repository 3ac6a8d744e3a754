import { AcademyChange } from '../../shared/schemas/account'
import { changeAcademy } from '../data/coaches'
import { requireCoach } from '../auth/coach'
import { readChecked } from '../ingest/refuse'

/** What flags of all players of the academy are judged by. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  return changeAcademy(coach, await readChecked(event, AcademyChange))
})
