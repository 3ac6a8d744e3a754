import { BagStepRecord } from '../../../../shared/schemas/bag'
import { takeBagStep } from '../../../data/bags'
import { requireCoach } from '../../../auth/coach'
import { idFromRoute, readChecked } from '../../../ingest/refuse'

/** One change of the bag that was made from the board of a range session, perhaps hours ago without a network. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const record = await readChecked(event, BagStepRecord)
  await takeBagStep(coach, idFromRoute(event, 'playerId', 'player'), record.step)
  setResponseStatus(event, 202)
  return { taken: [record.id] }
})
