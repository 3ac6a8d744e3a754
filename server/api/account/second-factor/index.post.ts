import { OwnPassword } from '../../../../shared/schemas/account'
import type { FactorToSetUp } from '../../../../shared/account'
import { beginSecondFactor } from '../../../data/second-factors'
import { requireCoach } from '../../../auth/coach'
import { checkOwnPassword } from '../../../auth/own-password'
import { readChecked } from '../../../ingest/refuse'
import { newFactor } from '../../../auth/second-factor'

/** A second step to set up an app with; it is asked for once its first figures were typed. */
export default defineEventHandler(async (event): Promise<FactorToSetUp> => {
  const coach = await requireCoach(event)
  const { current } = await readChecked(event, OwnPassword)
  await checkOwnPassword(event, coach, current)
  const { sealed, secret, uri } = newFactor(coach.email)
  await beginSecondFactor(coach, sealed)
  setResponseStatus(event, 201)
  return { secret, uri }
})
