import { devicesOf } from '../../data/devices'
import { requireCoach } from '../../request/coach'

export default defineEventHandler(async event => devicesOf(await requireCoach(event)))
