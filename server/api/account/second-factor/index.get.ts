import type { SecondFactorState } from '../../../../shared/account'
import { secondFactorOf } from '../../../data/second-factors'
import { requireCoach } from '../../../auth/coach'

/** Whether signing in asks this coach for a code too. */
export default defineEventHandler(async (event): Promise<SecondFactorState> => {
  const factor = await secondFactorOf((await requireCoach(event)).id)
  return { on: factor !== null, spare: factor?.spare.length ?? 0 }
})
