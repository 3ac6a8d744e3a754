import { z } from 'zod'
import { Id } from '../../../../../shared/text'
import { showImport } from '../../../../data/imports'
import { requireCoach } from '../../../../request/coach'
import { idFromRoute, readChecked } from '../../../../request/refuse'

const Import = z.object({
  sessionIds: z
    .array(Id, { error: 'Sessions must be a list of ids.' })
    .min(1, { error: 'No session was named.' })
    .max(2000, { error: 'At most 2000 sessions can be imported at once.' }),
  visible: z.boolean({ error: 'Visible is yes or no.' }),
})

/** Imported sessions with all their balls: shown at once when all are there, or taken back at once. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const { sessionIds, visible } = await readChecked(event, Import)
  return { balls: await showImport(coach, idFromRoute(event, 'playerId', 'player'), sessionIds, visible) }
})
