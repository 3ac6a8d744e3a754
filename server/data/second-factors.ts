import { and, eq, isNotNull, isNull, lt } from 'drizzle-orm'
import { coaches, secondFactors } from '../db/schema'
import { transaction, useDatabase } from '../db/database'
import type { Coach } from './coaches'
import { NotFound, Taken } from './faults'

/** What signing in asks of somebody beside the password. */
export interface SecondFactor {
  sealed: string
  spare: string[]
}

/** @returns null where the password is enough */
export async function secondFactorOf(coachId: string): Promise<SecondFactor | null> {
  const [row] = await useDatabase()
    .select({ sealed: secondFactors.sealed, spare: secondFactors.spare })
    .from(secondFactors)
    .where(and(eq(secondFactors.coachId, coachId), isNotNull(secondFactors.confirmedAt)))
  return row ?? null
}

/** One that waits for its first figures. @throws Taken when one is on already */
export async function beginSecondFactor({ id }: Coach, sealed: string): Promise<void> {
  await transaction(async tx => {
    const [row] = await tx.select().from(secondFactors).where(eq(secondFactors.coachId, id)).for('update')
    if (row?.confirmedAt) throw new Taken('current', 'The second step is on already: switch it off first.')
    if (row) await tx.update(secondFactors).set({ sealed, lastStep: 0 }).where(eq(secondFactors.coachId, id))
    else await tx.insert(secondFactors).values({ coachId: id, sealed })
  })
}

/** @returns what was sealed, of one that waits for its first figures */
export async function waitingSecondFactor({ id }: Coach): Promise<string | null> {
  const [row] = await useDatabase()
    .select({ sealed: secondFactors.sealed })
    .from(secondFactors)
    .where(and(eq(secondFactors.coachId, id), isNull(secondFactors.confirmedAt)))
  return row?.sealed ?? null
}

export async function confirmSecondFactor({ id }: Coach, step: number, spare: string[]): Promise<void> {
  await useDatabase()
    .update(secondFactors)
    .set({ confirmedAt: new Date(), lastStep: step, spare })
    .where(and(eq(secondFactors.coachId, id), isNull(secondFactors.confirmedAt)))
}

/** Uses up the figures of a half minute. @returns false when they were used before */
export async function useStep(coachId: string, step: number): Promise<boolean> {
  const [done] = await useDatabase()
    .update(secondFactors)
    .set({ lastStep: step })
    .where(and(eq(secondFactors.coachId, coachId), lt(secondFactors.lastStep, step)))
  return done.affectedRows === 1
}

/** Uses up a code for a lost phone. @returns false when it is none, or was used before */
export async function useSpare(coachId: string, hash: string): Promise<boolean> {
  return transaction(async tx => {
    const [row] = await tx
      .select({ spare: secondFactors.spare })
      .from(secondFactors)
      .where(eq(secondFactors.coachId, coachId))
      .for('update')
    if (!row?.spare.includes(hash)) return false
    const spare = row.spare.filter(other => other !== hash)
    await tx.update(secondFactors).set({ spare }).where(eq(secondFactors.coachId, coachId))
    return true
  })
}

export async function endSecondFactor(coachId: string): Promise<void> {
  await useDatabase().delete(secondFactors).where(eq(secondFactors.coachId, coachId))
}

/** For somebody of the owner's academy who lost phone and codes. @throws NotFound for who is not in it */
export async function endSecondFactorOf(owner: Coach, personId: string): Promise<void> {
  const [person] = await useDatabase()
    .select({ id: coaches.id })
    .from(coaches)
    .where(and(eq(coaches.id, personId), eq(coaches.academyId, owner.academyId), isNull(coaches.leftAt)))
  if (!person) throw new NotFound('person')
  await endSecondFactor(personId)
}
