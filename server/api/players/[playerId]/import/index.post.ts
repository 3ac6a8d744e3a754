import { ImportDecision } from '../../../../../shared/schemas/session'
import { showImport } from '../../../../data/imports'
import { requireCoach } from '../../../../auth/coach'
import { idFromRoute, readChecked } from '../../../../ingest/refuse'

/** Imported sessions with all their balls: shown at once when all are there, or taken back at once. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const { sessionIds, visible } = await readChecked(event, ImportDecision)
  return { balls: await showImport(coach, idFromRoute(event, 'playerId', 'player'), sessionIds, visible) }
})
