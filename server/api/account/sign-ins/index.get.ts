import type { SignInPlace } from '../../../../shared/academy'
import { signInsOf } from '../../../data/sign-ins'
import { requireCoach, requireSession } from '../../../auth/coach'

/** Where this person is signed in. */
export default defineEventHandler(async (event): Promise<SignInPlace[]> => {
  const { signInId } = await requireSession(event)
  return signInsOf(await requireCoach(event), signInId)
})
