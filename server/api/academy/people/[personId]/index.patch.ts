import { PersonChange } from '../../../../../shared/schemas/academy'
import type { AcademyPeople } from '../../../../../shared/academy'
import { changePerson } from '../../../../data/people'
import { requireCoach } from '../../../../auth/coach'
import { idFromRoute, readChecked } from '../../../../ingest/refuse'

/** Another role for somebody; or they leave, and come back. */
export default defineEventHandler(async (event): Promise<AcademyPeople> => {
  const coach = await requireCoach(event)
  return changePerson(coach, idFromRoute(event, 'personId', 'person'), await readChecked(event, PersonChange))
})
