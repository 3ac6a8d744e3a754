import { rangesOf } from '../../data/ranges'
import { requireCoach } from '../../request/coach'

export default defineEventHandler(async event => rangesOf(await requireCoach(event)))
