import { accountOf } from '../data/coaches'
import { requireCoach } from '../request/coach'

export default defineEventHandler(async event => accountOf(await requireCoach(event)))
