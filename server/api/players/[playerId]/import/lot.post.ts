import { z } from 'zod'
import { SessionRecord, ShotBatch } from '../../../../../shared/session'
import { stageLot } from '../../../../data/imports'

const Lot = z.object({ sessions: z.array(SessionRecord, { error: 'Sessions must be a list.' }).max(500, { error: 'At most 500 sessions can be sent at once.' }), shots: ShotBatch.shape.shots.or(z.array(z.never()).length(0)) })

/** A lot of an import: it is there, but not shown before all lots are. */
export default defineEventHandler(async (event) => {
  const coach = await requireCoach(event)
  const { sessions, shots } = await readChecked(event, Lot)
  await stageLot(coach, idFromRoute(event, 'playerId', 'player'), sessions, shots)
  setResponseStatus(event, 202)
  return { taken: shots.length }
})
