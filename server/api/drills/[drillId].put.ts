import { OwnDrill } from '../../../shared/schemas/practice'
import { putDrill } from '../../data/practice'
import { requireCoach } from '../../request/coach'
import { readChecked } from '../../request/refuse'
import { sameIdAsRoute } from '../../request/same-id'

/** A drill of the academy's own. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const drill = sameIdAsRoute(event, 'drillId', 'drill', await readChecked(event, OwnDrill))
  await putDrill(coach, drill)
  return drill
})
