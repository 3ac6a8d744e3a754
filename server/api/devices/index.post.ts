import { NewDevice } from '../../../shared/schemas/device'
import type { MadeDevice } from '../../../shared/device'
import { addDevice } from '../../data/devices'
import { requireCoach } from '../../auth/coach'
import { hashOfToken, newToken } from '../../auth/device'
import { readChecked } from '../../ingest/refuse'

/** A new device. Its token is in this answer and nowhere else. */
export default defineEventHandler(async (event): Promise<MadeDevice> => {
  const coach = await requireCoach(event)
  const device = await readChecked(event, NewDevice)
  const token = newToken()
  const made = await addDevice(coach, device, hashOfToken(token))
  setResponseStatus(event, 201)
  return { ...made, token }
})
