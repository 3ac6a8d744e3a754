import { v7 as newId } from 'uuid'
import { askerOf, readInThread } from '../../calibration/pool'
import { bringIn, erasedOf } from '../../data/bring-in'
import { requireCoach } from '../../auth/coach'
import { bodyBytes, refuseAll } from '../../ingest/refuse'

/** Takes in a player's whole record from the file of another academy, all or nothing. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const bytes = await bodyBytes(event)
  const within = { academyId: coach.academyId, erased: await erasedOf(coach), anew: newId() }
  const read = await readInThread(askerOf(event, coach), { read: 'record', bytes, within })
  if ('faults' in read) throw refuseAll(read.faults)
  const brought = await bringIn(coach, read)
  event.context.change = { playerId: brought.id, kind: 'brought-in', coachId: coach.id }
  setResponseStatus(event, 201)
  return brought
})
