import { NotFound } from '../../data/faults'
import { DEMO_EMAIL } from '../../../shared/demo'
import { coachByEmail } from '../../data/coaches'
import { enter } from '../../auth/coach'
import { setting } from '../../settings'

/** Enters as the demo's coach. Exists in the demo alone. */
export default defineEventHandler(async event => {
  const coach = setting('UZZET_DEMO') === '1' ? await coachByEmail(DEMO_EMAIL) : undefined
  if (!coach) throw new NotFound('page')
  await enter(event, coach)
  return { ok: true }
})
