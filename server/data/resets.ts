import { and, count, eq, gt, isNull, sql } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { academies, coaches, resets, signIns } from '../db/schema'
import type { ResetLook } from '../../shared/academy'
import { RESET_HOURS } from '../../shared/keep-times'
import { transaction, useDatabase, type Transaction } from '../db/database'
import type { Coach } from './coaches'
import { NotFound } from './faults'

const isOpen = () => and(isNull(resets.closedAt), gt(resets.expiresAt, new Date()))
const GONE = 'way to a new password any more: it was used, or is too old. Ask for another'

/**
 * A way to a new password for somebody of the coach's academy; one that was made before for them opens nothing more.
 * @throws 404 for who is not in it, or has left
 */
export async function makeReset(coach: Coach, personId: string, tokenHash: string): Promise<{ expiresAtMs: number }> {
  const expiresAt = new Date(Date.now() + RESET_HOURS * 3_600_000)
  await transaction(async tx => {
    const [person] = await tx
      .select({ id: coaches.id })
      .from(coaches)
      .where(and(eq(coaches.id, personId), eq(coaches.academyId, coach.academyId), isNull(coaches.leftAt)))
    if (!person) throw new NotFound('person')
    await putReset(tx, { personId, madeBy: coach.id, tokenHash, expiresAt })
  })
  return { expiresAtMs: expiresAt.getTime() }
}

/** One that was made before opens nothing more. */
async function putReset(
  tx: Transaction,
  { personId, madeBy, tokenHash, expiresAt }: { personId: string; madeBy: string; tokenHash: string; expiresAt: Date },
): Promise<void> {
  await tx
    .update(resets)
    .set({ closedAt: new Date() })
    .where(and(eq(resets.coachId, personId), isNull(resets.closedAt)))
  await tx.insert(resets).values({ id: newId(), coachId: personId, madeBy, tokenHash, expiresAt })
}

/** By a mail, so many a day to one person: more would be a stranger's. */
const MAILS_A_DAY = 5
const DAY_MS = 86_400_000

/**
 * The same for whoever asks by mail.
 * @returns whom to send it to; null where no such account is, or enough was sent today
 */
export async function makeResetByMail(
  email: string,
  tokenHash: string,
): Promise<{ name: string; academy: string; email: string } | null> {
  return transaction(async tx => {
    const [person] = await tx
      .select({ id: coaches.id, name: coaches.name, email: coaches.email, academy: academies.name })
      .from(coaches)
      .innerJoin(academies, eq(academies.id, coaches.academyId))
      .where(and(eq(coaches.email, email.toLowerCase()), isNull(coaches.leftAt)))
      .for('update')
    if (!person) return null
    const since = new Date(Date.now() - DAY_MS + RESET_HOURS * 3_600_000)
    const [sent] = await tx
      .select({ n: count() })
      .from(resets)
      .where(and(eq(resets.coachId, person.id), eq(resets.madeBy, person.id), gt(resets.expiresAt, since)))
    if (sent!.n >= MAILS_A_DAY) return null
    const expiresAt = new Date(Date.now() + RESET_HOURS * 3_600_000)
    await putReset(tx, { personId: person.id, madeBy: person.id, tokenHash, expiresAt })
    return { name: person.name, academy: person.academy, email: person.email }
  })
}

/** Whose new password it leads to. @throws 404 for one that was used, is too old, or was never made */
export async function resetFor(tokenHash: string): Promise<ResetLook & { id: string }> {
  const [row] = await useDatabase()
    .select({ id: coaches.id, name: coaches.name, email: coaches.email, academy: academies.name })
    .from(resets)
    .innerJoin(coaches, eq(coaches.id, resets.coachId))
    .innerJoin(academies, eq(academies.id, coaches.academyId))
    .where(and(eq(resets.tokenHash, tokenHash), isOpen(), isNull(coaches.leftAt)))
  if (!row) throw new NotFound(GONE)
  return row
}

/** Sets the new password and ends every sign-in there was. @throws 404 as above */
export async function applyReset(
  tokenHash: string,
  passwordHash: string,
): Promise<{ id: string; signInEpoch: number }> {
  return transaction(async tx => {
    const [open] = await tx
      .select({ id: resets.id, coachId: resets.coachId })
      .from(resets)
      .where(and(eq(resets.tokenHash, tokenHash), isOpen()))
      .for('update')
    if (!open) throw new NotFound(GONE)
    const now = new Date()
    await tx.update(resets).set({ closedAt: now }).where(eq(resets.id, open.id))
    await tx
      .update(coaches)
      .set({ passwordHash, signInEpoch: sql`${coaches.signInEpoch} + 1` })
      .where(eq(coaches.id, open.coachId))
    await tx
      .update(signIns)
      .set({ endedAt: now })
      .where(and(eq(signIns.coachId, open.coachId), isNull(signIns.endedAt)))
    const [coach] = await tx
      .select({ id: coaches.id, signInEpoch: coaches.signInEpoch })
      .from(coaches)
      .where(eq(coaches.id, open.coachId))
    return coach!
  })
}
