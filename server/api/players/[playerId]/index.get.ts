import { askerOf, workOut } from '../../../calibration/pool'
import { countShots } from '../../../data/player-stamp'
import { playerRecord } from '../../../data/records'

/** From so many balls on, reading and writing them out would hold up others' requests. */
const MANY_SHOTS = 2000

/** Player, bag, sessions and shots: what every stage works from. */
export default defineEventHandler(async (event) => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  if (await countShots(coach, playerId) < MANY_SHOTS) return playerRecord(coach, playerId)
  setHeader(event, 'content-type', 'application/json')
  return Buffer.from(await workOut(askerOf(event, coach), playerId, 'record', null))
})
