import { z } from 'zod'
import type { Recount } from '../../../../shared/range'
import { Id } from '../../../../shared/schemas/text'
import { countGuesses } from '../../../data/ranges'
import { requireCoach } from '../../../auth/coach'
import { checked, idFromRoute } from '../../../ingest/refuse'

/** How many guesses a sign's new distance would move. */
export default defineEventHandler(async (event): Promise<Recount> => {
  const coach = await requireCoach(event)
  const { sign } = checked(z.object({ sign: Id }), getQuery(event), 'query')
  return { signId: sign, guesses: await countGuesses(coach, idFromRoute(event, 'rangeId', 'range'), sign) }
})
