import { FlagAnswerRecord } from '../../../../shared/schemas/flag-answer'
import { addAnswer } from '../../../data/flag-answers'
import { requireCoach } from '../../../auth/coach'
import { idFromRoute, readChecked } from '../../../ingest/refuse'

/** What the coach says to a flag. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const answer = await addAnswer(
    coach,
    idFromRoute(event, 'playerId', 'player'),
    await readChecked(event, FlagAnswerRecord),
  )
  setResponseStatus(event, 202)
  return { taken: [answer.id] }
})
