import type { Program } from '../../../../shared/program'
import { programsOf } from '../../../data/programs'
import { requireCoach } from '../../../auth/coach'

/** Keys for programs that work in this coach's name. */
export default defineEventHandler(async (event): Promise<Program[]> => programsOf(await requireCoach(event)))
