import { SignRecount } from '../../../../shared/schemas/range'
import type { Recount } from '../../../../shared/range'
import { recountGuesses } from '../../../data/ranges'
import { requireCoach } from '../../../auth/coach'
import { idFromRoute, readChecked } from '../../../ingest/refuse'

/** Guesses against a sign, counted anew from where it stands now. */
export default defineEventHandler(async (event): Promise<Recount> => {
  const coach = await requireCoach(event)
  const { signId } = await readChecked(event, SignRecount)
  return { signId, guesses: await recountGuesses(coach, idFromRoute(event, 'rangeId', 'range'), signId) }
})
