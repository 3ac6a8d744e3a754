import { keptWhatIfs } from '../../../../data/what-ifs'
import { requireCoach } from '../../../../auth/coach'
import { idFromRoute } from '../../../../ingest/refuse'

export default defineEventHandler(async event =>
  keptWhatIfs(await requireCoach(event), idFromRoute(event, 'playerId', 'player')),
)
