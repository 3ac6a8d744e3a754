import { keptWhatIfs } from '../../../../data/what-ifs'
import { requireCoach } from '../../../../request/coach'
import { idFromRoute } from '../../../../request/refuse'

export default defineEventHandler(async event =>
  keptWhatIfs(await requireCoach(event), idFromRoute(event, 'playerId', 'player')),
)
