import { dropDrill } from '../../data/practice'
import { requireCoach } from '../../request/coach'
import { idFromRoute } from '../../request/refuse'

export default defineEventHandler(async event => {
  await dropDrill(await requireCoach(event), idFromRoute(event, 'drillId', 'drill'))
  setResponseStatus(event, 204)
  return null
})
