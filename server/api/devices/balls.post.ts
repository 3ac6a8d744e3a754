import { DeviceBallsDecision } from '../../../shared/schemas/device'
import { decideDeviceBalls, deviceBallsOf } from '../../data/device-balls'
import { requireCoach } from '../../auth/coach'
import { readChecked } from '../../ingest/refuse'

/** Balls that wait become a player's, or nobody's. @returns what still waits */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  await decideDeviceBalls(coach, await readChecked(event, DeviceBallsDecision))
  return deviceBallsOf(coach)
})
