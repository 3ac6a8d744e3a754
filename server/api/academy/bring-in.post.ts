import { askerOf, readInThread } from '../../calibration/pool'
import { bringInAcademy } from '../../data/bring-in'
import { requireCoach } from '../../auth/coach'
import { bodyBytes, refuseAll } from '../../ingest/refuse'

/** Takes in ranges, drills and figures of another academy's file; its players come one by one. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const bytes = await bodyBytes(event)
  const read = await readInThread(askerOf(event, coach), { read: 'academy', bytes, academyId: coach.academyId })
  if ('faults' in read) throw refuseAll(read.faults)
  return bringInAcademy(coach, read.file)
})
