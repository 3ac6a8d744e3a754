import { devicesOf } from '../../data/devices'

export default defineEventHandler(async event => devicesOf(await requireCoach(event)))
