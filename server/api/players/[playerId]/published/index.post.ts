import { NewPublished } from '../../../../../shared/schemas/published'
import { askerOf } from '../../../../calibration/pool'
import { publishChart } from '../../../../data/published'
import { requireCoach } from '../../../../auth/coach'
import { idFromRoute, readChecked } from '../../../../ingest/refuse'

/** A dated copy of the chart as it stands. It is worked out here, so that it is what the record says. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const body = await publishChart(
    askerOf(event, coach),
    idFromRoute(event, 'playerId', 'player'),
    await readChecked(event, NewPublished),
  )
  setResponseStatus(event, 201)
  return body
})
