import { HomeworkRecord } from '../../../../../shared/schemas/practice'
import { putHomework } from '../../../../data/practice'
import { requireCoach } from '../../../../request/coach'
import { idFromRoute, readChecked } from '../../../../request/refuse'
import { sameIdAsRoute } from '../../../../request/same-id'

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
