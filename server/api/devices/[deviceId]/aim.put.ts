import { DeviceAim } from '../../../../shared/schemas/device'
import { aimDevice } from '../../../data/devices'
import { requireCoach } from '../../../auth/coach'
import { idFromRoute, readChecked } from '../../../ingest/refuse'

/** What the device's next balls are for, as it is chosen on the screen. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const { at, fromMs, sentAtMs } = await readChecked(event, DeviceAim)
  const nowMs = Date.now()
  return aimDevice(coach, idFromRoute(event, 'deviceId', 'device'), at, Math.min(nowMs, fromMs + nowMs - sentAtMs))
})
