import { AcademyChange } from '../../shared/account'
import { changeAcademy } from '../data/coaches'

/** What flags of all players of the academy are judged by. */
export default defineEventHandler(async (event) => {
  const coach = await requireCoach(event)
  return changeAcademy(coach, await readChecked(event, AcademyChange))
})
