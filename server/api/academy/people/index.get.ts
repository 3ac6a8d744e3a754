import type { AcademyPeople } from '../../../../shared/academy'
import { peopleOf } from '../../../data/people'
import { requireCoach } from '../../../auth/coach'

/** Who works in this academy, and who is invited. */
export default defineEventHandler(async (event): Promise<AcademyPeople> => peopleOf(await requireCoach(event)))
