import type { H3Event } from 'h3'
import { v7 as newId } from 'uuid'
import { SIGN_UP_HOURS } from '../../shared/keep-times'
import type { SignUp } from '../../shared/schemas/account'
import { createCoach } from '../data/coaches'
import { enter } from './coach'
import { refuse } from '../ingest/refuse'
import { seal, unseal } from './seal'

/** An account that was asked for, its password as a hash. */
export type WaitingAccount = Omit<SignUp, 'password'> & { passwordHash: string }

/** What a mailed address carries: nothing of it is kept here until it is opened. */
export function sealSignUp(waiting: WaitingAccount): string {
  return seal(JSON.stringify({ ...waiting, untilMs: Date.now() + SIGN_UP_HOURS * 3_600_000 }), 'sign-up')
}

/** @returns null for what is too old, was changed, or was never sealed here */
export function unsealSignUp(token: string): WaitingAccount | null {
  const text = unseal(token, 'sign-up')
  if (text === null) return null
  const { untilMs, ...waiting } = JSON.parse(text) as WaitingAccount & { untilMs: number }
  return untilMs > Date.now() ? waiting : null
}

/** Opens it, and goes in. @throws 409 where the address has an account already */
export async function openAccount(event: H3Event, waiting: WaitingAccount): Promise<void> {
  const coach = { ...waiting, id: newId(), academyId: newId() }
  if (!(await createCoach(coach))) {
    const message = `There is an account for ${waiting.email} already: sign in, or use another address.`
    throw refuse(409, message, [{ field: 'email', message }])
  }
  await enter(event, { id: coach.id, signInEpoch: 1 })
}
