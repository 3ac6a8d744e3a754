import { HomeworkRecord } from '../../../../../shared/schemas/practice'
import { putHomework } from '../../../../data/practice'
import { requireCoach } from '../../../../auth/coach'
import { idFromRoute, readChecked } from '../../../../ingest/refuse'
import { sameIdAsRoute } from '../../../../ingest/same-id'

/** Homework is set, changed or taken back. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const playerId = idFromRoute(event, 'playerId', 'player')
  return putHomework(
    coach,
    playerId,
    sameIdAsRoute(event, 'homeworkId', 'homework', await readChecked(event, HomeworkRecord)),
  )
})
