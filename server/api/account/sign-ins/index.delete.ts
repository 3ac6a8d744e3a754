import { endOtherSignIns } from '../../../data/sign-ins'
import { requireCoach, requireSession } from '../../../auth/coach'

/** Signs out everywhere but here. */
export default defineEventHandler(async event => {
  const { signInId } = await requireSession(event)
  const { id } = await requireCoach(event)
  await endOtherSignIns(id, signInId)
  return { ok: true }
})
