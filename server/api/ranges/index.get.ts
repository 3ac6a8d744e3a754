import { rangesOf } from '../../data/ranges'
import { requireCoach } from '../../auth/coach'

export default defineEventHandler(async event => rangesOf(await requireCoach(event)))
