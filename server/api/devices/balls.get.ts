import { deviceBallsOf } from '../../data/device-balls'
import { requireCoach } from '../../auth/coach'

/** Balls of the coach's devices that found nobody the coach sees. */
export default defineEventHandler(async event => deviceBallsOf(await requireCoach(event)))
