import type { H3Event } from 'h3'
import { forbiddenText, mayDo, rightNeeded } from '../../shared/rights'
import { coachBySession, type Coach, type Session } from '../data/coaches'
import { NotFound } from '../data/faults'
import { beginSignIn, endSignIn, noteSeen } from '../data/sign-ins'
import { isProgram, requireProgram } from './program'
import { refuse } from '../ingest/refuse'

declare module '#auth-utils' {
  interface SecureSessionData {
    coachId: string
    epoch: number
    /** Missing in a cookie of a program that knew no sign-ins: it opens nothing. */
    signInId?: string
  }
}

const COOKIE = 'uzzet'
const KEEP_MS = 60_000
const KEEP_MOST = 2000

/** What cookies of the last minute hold: opening the seal is a third of the work of logging a ball. */
const opened = new Map<string, { session: Session; untilMs: number }>()

async function openCookie(event: H3Event): Promise<Session | undefined> {
  const cookie = getCookie(event, COOKIE)
  if (!cookie) return undefined
  const kept = opened.get(cookie)
  if (kept && kept.untilMs > Date.now()) return known(event, kept.session)
  opened.delete(cookie)
  const { secure } = await getUserSession(event)
  if (!secure?.signInId) return undefined
  const session = { coachId: secure.coachId, epoch: secure.epoch, signInId: secure.signInId }
  await noteSeen(session.signInId)
  // The oldest goes first: a Map keeps the order in which things came.
  if (opened.size >= KEEP_MOST) opened.delete(opened.keys().next().value!)
  opened.set(cookie, { session, untilMs: Date.now() + KEEP_MS })
  return known(event, session)
}

/** Who asks, for what is written down of a request when it has ended. */
function known(event: H3Event, session: Session): Session {
  event.context.coachId = session.coachId
  return session
}

/** What the cookie says, for the one statement that looks the coach up by itself. */
export async function requireSession(event: H3Event): Promise<Session> {
  const session = await openCookie(event)
  if (!session) throw signedOut()
  return session
}

function signedOut() {
  return refuse(401, 'You are not signed in any more: sign in again. Nothing you entered is lost.')
}

/**
 * The signed-in coach, looked up afresh each time, so that a changed password or a sign-out elsewhere ends old sessions
 * at once; and who may do what is asked. @throws 401, 403
 */
export async function requireCoach(event: H3Event): Promise<Coach> {
  if (isProgram(event)) return requireProgram(event)
  const session = await openCookie(event)
  const coach = session && (await coachBySession(session))
  if (!coach) throw signedOut()
  const needed = rightNeeded(event.method, event.path.split('?')[0]!)
  if (!mayDo(coach.role, needed)) throw refuse(403, forbiddenText(coach.role, needed))
  return coach
}

/** What a person reads in the list of their sign-ins: the kind of thing, as far as it says. */
function deviceOf(event: H3Event): string {
  const agent = getHeader(event, 'user-agent') ?? ''
  if (/iPad|Tablet|Android(?!.*Mobile)/.test(agent)) return 'a tablet'
  if (/Mobile/.test(agent)) return 'a phone'
  return /^Mozilla\//.test(agent) ? 'a computer' : 'a program'
}

/** Begins a sign-in, or goes on with the one there is under a new epoch. */
export async function enter(event: H3Event, coach: { id: string; signInEpoch: number }, signInId?: string) {
  const id = signInId ?? (await beginSignIn(coach.id, deviceOf(event)))
  await replaceUserSession(event, { secure: { coachId: coach.id, epoch: coach.signInEpoch, signInId: id } })
}

/**
 * Ends the sign-in of this cookie, on the server too. The cookie of this device goes in any case.
 * @throws where the database is away: copies of the cookie still open
 */
export async function leave(event: H3Event): Promise<void> {
  try {
    const session = await openCookie(event)
    if (session) await endSignIn({ id: session.coachId }, session.signInId).catch(ignoreMissing)
  } finally {
    await clearUserSession(event)
  }
}
/** It has ended already: that is what was asked. */
function ignoreMissing(error: unknown): void {
  if (!(error instanceof NotFound)) throw error
}
