import type { H3Event } from 'h3'
import { coachBySession, type Coach } from '../data/coaches'

declare module '#auth-utils' {
  interface SecureSessionData { coachId: string, epoch: number }
}

/** The signed-in coach, looked up afresh, so that a closed account or a changed password ends old sessions at once. */
export async function requireCoach(event: H3Event): Promise<Coach> {
  const session = await getUserSession(event)
  const coach = session.secure ? await coachBySession(session.secure.coachId, session.secure.epoch) : undefined
  if (!coach) throw refuse(401, 'You are not signed in any more: sign in again. Nothing you entered is lost.')
  return coach
}

export async function enter(event: H3Event, coach: { id: string, signInEpoch: number }) {
  await replaceUserSession(event, { secure: { coachId: coach.id, epoch: coach.signInEpoch } })
}
