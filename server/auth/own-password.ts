import type { H3Event } from 'h3'
import { passwordHashOf, type Coach } from '../data/coaches'
import { refuse } from '../ingest/refuse'
import { beginOwnAttempt } from '../limits/sign-in-limit'

/** That who is signed in is who they say: tries are counted. @throws 422 beside the field, 429 */
export async function checkOwnPassword(event: H3Event, coach: Coach, current: string): Promise<void> {
  const succeeded = await beginOwnAttempt(event, coach.id)
  if (!(await verifyPassword(await passwordHashOf(coach), current))) {
    const message = 'The current password is not right.'
    throw refuse(422, message, [{ field: 'current', message }])
  }
  await succeeded()
}
