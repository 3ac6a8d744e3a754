import { SignIn } from '../../../shared/schemas/account'
import { coachByEmail } from '../../data/coaches'
import { secondFactorOf } from '../../data/second-factors'
import { enter } from '../../auth/coach'
import { isTriedFirst } from '../../auth/tried-first'
import { isPattern } from '../../../shared/password'
import { readChecked, refuse } from '../../ingest/refuse'
import { checkSecondFactor } from '../../auth/second-factor'
import { beginAttempt, unknownHash } from '../../limits/sign-in-limit'

/**
 * E-mail and password, and a code where one is asked for. Which of the first two was wrong is not told; failures are
 * counted.
 */
export default defineEventHandler(async event => {
  const { email, password, code } = await readChecked(event, SignIn)
  const coach = await coachByEmail(email)
  // By the account, not by what was typed: addresses that look alike are one.
  const succeeded = await beginAttempt(event, coach?.id ?? email.normalize('NFKC').toLowerCase())
  // Unknown addresses, and accounts without a password, cost the same work, so that timing tells nothing.
  const right = await verifyPassword(coach?.passwordHash || (await unknownHash()), password)
  if (!coach || !right) {
    const message = 'E-mail or password is not right.'
    throw refuse(401, message, [{ field: 'password', message }])
  }
  // A code that is not there yet, or wrong, counts as a try: a right password alone gives none of them back.
  const factor = await secondFactorOf(coach.id)
  if (factor) await checkSecondFactor(coach.id, factor, code)
  await succeeded()
  await enter(event, coach)
  // Nobody is locked out for a password of before: the page asks for another.
  return { ok: true, triedFirst: isPattern(password) || isTriedFirst(password) }
})
