import { dropDrill } from '../../data/practice'
import { requireCoach } from '../../auth/coach'
import { idFromRoute } from '../../ingest/refuse'

export default defineEventHandler(async event => {
  await dropDrill(await requireCoach(event), idFromRoute(event, 'drillId', 'drill'))
  setResponseStatus(event, 204)
  return null
})
