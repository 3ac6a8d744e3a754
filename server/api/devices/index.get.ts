import { devicesOf } from '../../data/devices'
import { requireCoach } from '../../auth/coach'

export default defineEventHandler(async event => devicesOf(await requireCoach(event)))
