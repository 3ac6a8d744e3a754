import { OwnDrill } from '../../../shared/schemas/practice'
import { putDrill } from '../../data/practice'
import { requireCoach } from '../../auth/coach'
import { readChecked } from '../../ingest/refuse'
import { sameIdAsRoute } from '../../ingest/same-id'

/** A drill of the academy's own. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const drill = sameIdAsRoute(event, 'drillId', 'drill', await readChecked(event, OwnDrill))
  await putDrill(coach, drill)
  return drill
})
