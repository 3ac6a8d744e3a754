import { ShotBatch } from '../../../../shared/session'
import { putShots } from '../../../data/shots'

/** Balls as the browser knows them: new ones, and changed ones under their next version. */
export default defineEventHandler(async (event) => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  const { shots } = await readChecked(event, ShotBatch)
  await putShots(coach, playerId, shots)
  setResponseStatus(event, 202)
  return { taken: shots.map(shot => shot.id) }
})
