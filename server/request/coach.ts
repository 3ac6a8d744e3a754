import type { H3Event } from 'h3'
import { coachBySession, type Coach } from '../data/coaches'
import { refuse } from './refuse'

interface Opened {
  coachId: string
  epoch: number
}

declare module '#auth-utils' {
  interface SecureSessionData {
    coachId: string
    epoch: number
  }
}

const COOKIE = 'uzzet'
const KEEP_MS = 60_000
const KEEP_MOST = 2000

/** What cookies of the last minute hold: opening the seal is a third of the work of logging a ball. */
const opened = new Map<string, { session: Opened; untilMs: number }>()

async function openCookie(event: H3Event): Promise<Opened | undefined> {
  const cookie = getCookie(event, COOKIE)
  if (!cookie) return undefined
  const kept = opened.get(cookie)
  if (kept && kept.untilMs > Date.now()) return kept.session
  opened.delete(cookie)
  const { secure } = await getUserSession(event)
  if (!secure) return undefined
  // The oldest goes first: a Map keeps the order in which things came.
  if (opened.size >= KEEP_MOST) opened.delete(opened.keys().next().value!)
  opened.set(cookie, { session: secure, untilMs: Date.now() + KEEP_MS })
  return secure
}

/** What the cookie says, for the one statement that looks the coach up by itself. */
export async function requireSession(event: H3Event): Promise<Opened> {
  const session = await openCookie(event)
  if (!session) throw signedOut()
  return session
}

function signedOut() {
  return refuse(401, 'You are not signed in any more: sign in again. Nothing you entered is lost.')
}

/** The signed-in coach, looked up afresh each time, so that a changed password ends old sessions at once. */
export async function requireCoach(event: H3Event): Promise<Coach> {
  const session = await openCookie(event)
  const coach = session ? await coachBySession(session.coachId, session.epoch) : undefined
  if (!coach) throw signedOut()
  return coach
}

export async function enter(event: H3Event, coach: { id: string; signInEpoch: number }) {
  await replaceUserSession(event, { secure: { coachId: coach.id, epoch: coach.signInEpoch } })
}
