import { and, desc, eq, gt, isNull, lt, ne } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { signIns } from '../db/schema'
import type { SignInPlace } from '../../shared/academy'
import { SIGN_IN_DAYS } from '../../shared/keep-times'
import { useDatabase } from '../db/database'
import type { Coach } from './coaches'
import { NotFound } from './faults'

/** Nobody looks through more. */
const SHOWN = 50
/** A cookie lasts so long (`nuxt.config.ts`, session): a place that was not seen since is none. */
const COOKIE_MS = SIGN_IN_DAYS * 86_400_000
/** Written at most this often: it is a hint, and every ball would be a write. */
const SEEN_EVERY_MS = 10 * 60_000

/** @returns the id that the cookie carries */
export async function beginSignIn(coachId: string, device: string): Promise<string> {
  const [id, now] = [newId(), new Date()]
  // What no cookie opens any more goes.
  await useDatabase()
    .delete(signIns)
    .where(and(eq(signIns.coachId, coachId), lt(signIns.seenAt, new Date(now.getTime() - COOKIE_MS))))
  await useDatabase().insert(signIns).values({ id, coachId, device, begunAt: now, seenAt: now })
  return id
}

export async function noteSeen(signInId: string): Promise<void> {
  await useDatabase()
    .update(signIns)
    .set({ seenAt: new Date() })
    .where(and(eq(signIns.id, signInId), lt(signIns.seenAt, new Date(Date.now() - SEEN_EVERY_MS))))
}

/** Where this coach is signed in, the one seen last first. */
export async function signInsOf(coach: Coach, hereId: string): Promise<SignInPlace[]> {
  const rows = await useDatabase()
    .select()
    .from(signIns)
    .where(
      and(eq(signIns.coachId, coach.id), isNull(signIns.endedAt), gt(signIns.seenAt, new Date(Date.now() - COOKIE_MS))),
    )
    .orderBy(desc(signIns.seenAt), desc(signIns.id))
    .limit(SHOWN)
  return rows.map(({ id, device, begunAt, seenAt }) => ({
    id,
    device,
    begunAtMs: begunAt.getTime(),
    seenAtMs: seenAt.getTime(),
    here: id === hereId,
  }))
}

/** @throws 404 for one that has ended, or another coach's */
export async function endSignIn(coach: Pick<Coach, 'id'>, signInId: string): Promise<void> {
  const [done] = await useDatabase()
    .update(signIns)
    .set({ endedAt: new Date() })
    .where(and(eq(signIns.id, signInId), eq(signIns.coachId, coach.id), isNull(signIns.endedAt)))
  if (done.affectedRows === 0) throw new NotFound('sign-in')
}

/** All of a coach's but this one. */
export async function endOtherSignIns(coachId: string, exceptId: string): Promise<void> {
  await useDatabase()
    .update(signIns)
    .set({ endedAt: new Date() })
    .where(and(eq(signIns.coachId, coachId), ne(signIns.id, exceptId), isNull(signIns.endedAt)))
}
