import { ImportLot } from '../../../../../shared/schemas/session'
import { ballsKept } from '../../../../counters'
import { stageLot } from '../../../../data/imports'
import { requireCoach } from '../../../../auth/coach'
import { idFromRoute, readChecked } from '../../../../ingest/refuse'

/** A lot of an import: it is there, but not shown before all lots are. */
export default defineEventHandler(async event => {
  const coach = await requireCoach(event)
  const { sessions, shots } = await readChecked(event, ImportLot)
  await stageLot(coach, idFromRoute(event, 'playerId', 'player'), sessions, shots)
  ballsKept.inc({ by: 'file' }, shots.length)
  setResponseStatus(event, 202)
  return { taken: shots.length }
})
