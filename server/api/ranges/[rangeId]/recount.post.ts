import { z } from 'zod'
import type { Recount } from '../../../../shared/range'
import { Id } from '../../../../shared/text'
import { recountGuesses } from '../../../data/ranges'
import { requireCoach } from '../../../request/coach'
import { idFromRoute, readChecked } from '../../../request/refuse'

/** Guesses against a sign, counted anew from where it stands now. */
export default defineEventHandler(async (event): Promise<Recount> => {
  const coach = await requireCoach(event)
  const { signId } = await readChecked(event, z.object({ signId: Id }))
  return { signId, guesses: await recountGuesses(coach, idFromRoute(event, 'rangeId', 'range'), signId) }
})
