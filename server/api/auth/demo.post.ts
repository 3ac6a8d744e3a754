import { DEMO_EMAIL } from '../../../shared/demo'
import { coachByEmail } from '../../data/coaches'

/** Enters as the demo's coach. Exists in the demo alone. */
export default defineEventHandler(async (event) => {
  const coach = setting('UZZET_DEMO') === '1' ? await coachByEmail(DEMO_EMAIL) : undefined
  if (!coach) throw notFound('page')
  await enter(event, coach)
  return { ok: true }
})
