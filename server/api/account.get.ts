import { accountOf } from '../data/coaches'
import { requireCoach } from '../auth/coach'

export default defineEventHandler(async event => accountOf(await requireCoach(event)))
