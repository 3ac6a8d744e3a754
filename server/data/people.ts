import { and, asc, eq, gt, isNull, max, sql } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { academies, coaches, invitations, secondFactors, signIns } from '../db/schema'
import { INVITATIONS_MAX } from '../../shared/limits'
import type { AcademyPeople, Invitation, InvitedTo, Person } from '../../shared/academy'
import type { NewInvitation, PersonChange } from '../../shared/schemas/academy'
import { INVITATION_DAYS } from '../../shared/keep-times'
import { isDuplicate } from '../db/database-errors'
import { transaction, useDatabase } from '../db/database'
import type { Coach } from './coaches'
import { countOverdue } from './erase'
import { NotFound, Taken, Unfit } from './faults'

const DAY_MS = 86_400_000
const isOpen = () => and(isNull(invitations.closedAt), gt(invitations.expiresAt, new Date()))

async function openInvitations(academyId: string): Promise<Invitation[]> {
  const rows = await useDatabase()
    .select()
    .from(invitations)
    .where(and(eq(invitations.academyId, academyId), isOpen()))
    .orderBy(asc(invitations.expiresAt), asc(invitations.id))
  return rows.map(({ id, role, forWhom, expiresAt }) => ({ id, role, forWhom, expiresAtMs: expiresAt.getTime() }))
}

/** Everybody of the academy, those who left last, and the invitations that are still open. */
export async function peopleOf({ academyId, role }: Coach): Promise<AcademyPeople> {
  const rows = await useDatabase()
    .select({
      id: coaches.id,
      name: coaches.name,
      email: coaches.email,
      role: coaches.role,
      leftAt: coaches.leftAt,
      seenAt: max(signIns.seenAt),
      factorAt: max(secondFactors.confirmedAt),
    })
    .from(coaches)
    .leftJoin(secondFactors, eq(secondFactors.coachId, coaches.id))
    .leftJoin(signIns, eq(signIns.coachId, coaches.id))
    .where(eq(coaches.academyId, academyId))
    .groupBy(coaches.id)
    .orderBy(sql`${coaches.leftAt} is not null`, asc(coaches.name), asc(coaches.id))
  const people = rows.map(({ leftAt, seenAt, factorAt, ...person }): Person => ({
    ...person,
    left: leftAt !== null,
    seenAtMs: seenAt?.getTime() ?? null,
    secondFactor: role === 'owner' && factorAt !== null,
  }))
  const [academy] = await useDatabase()
    .select({
      coachesSee: academies.coachesSee,
      coachesChange: academies.coachesChange,
      keepMonths: academies.keepMonths,
    })
    .from(academies)
    .where(eq(academies.id, academyId))
  return {
    coachesSee: academy!.coachesSee,
    coachesChange: academy!.coachesChange,
    keepMonths: academy!.keepMonths,
    overdue: academy!.keepMonths === null ? 0 : await countOverdue(academyId),
    people,
    invitations: await openInvitations(academyId),
  }
}

/** @throws 409 when the id is taken: its token was shown once; 422 when there are too many */
export async function invite(
  coach: Coach,
  { id, role, forWhom }: NewInvitation,
  tokenHash: string,
): Promise<Invitation> {
  if ((await openInvitations(coach.academyId)).length >= INVITATIONS_MAX)
    throw new Unfit(`There are ${INVITATIONS_MAX} open invitations already: take one back first.`)
  const expiresAt = new Date(Date.now() + INVITATION_DAYS * DAY_MS)
  const { academyId } = coach
  try {
    await useDatabase()
      .insert(invitations)
      .values({ id, academyId, madeBy: coach.id, role, forWhom, tokenHash, expiresAt })
  } catch (error) {
    if (isDuplicate(error)) throw new Taken()
    throw error
  }
  return { id, role, forWhom, expiresAtMs: expiresAt.getTime() }
}

/** @throws 404 */
export async function takeInvitationBack(coach: Coach, invitationId: string): Promise<void> {
  const [done] = await useDatabase()
    .update(invitations)
    .set({ closedAt: new Date() })
    .where(
      and(eq(invitations.id, invitationId), eq(invitations.academyId, coach.academyId), isNull(invitations.closedAt)),
    )
  if (done.affectedRows === 0) throw new NotFound('invitation')
}

/** @throws 404 for one that was used, taken back, too old, or never made: they are the same to a stranger */
export async function invitedTo(tokenHash: string): Promise<InvitedTo> {
  const [row] = await useDatabase()
    .select({ academy: academies.name, role: invitations.role, forWhom: invitations.forWhom })
    .from(invitations)
    .innerJoin(academies, eq(academies.id, invitations.academyId))
    .where(and(eq(invitations.tokenHash, tokenHash), isOpen()))
  if (!row) throw new NotFound('invitation any more: it was used, taken back, or is too old. Ask for another')
  return row
}

/**
 * Somebody comes in by an invitation, which is good once.
 * @throws 404 as above; 409 when the address has an account already
 */
export async function join(
  tokenHash: string,
  person: { name: string; email: string; passwordHash: string },
): Promise<{ id: string; signInEpoch: number }> {
  const email = person.email.toLowerCase()
  try {
    return await transaction(async tx => {
      const [open] = await tx
        .select()
        .from(invitations)
        .where(and(eq(invitations.tokenHash, tokenHash), isOpen()))
        .for('update')
      if (!open) throw new NotFound('invitation any more: it was used, taken back, or is too old. Ask for another')
      const id = newId()
      await tx.insert(coaches).values({ ...person, id, email, academyId: open.academyId, role: open.role })
      await tx.update(invitations).set({ closedAt: new Date() }).where(eq(invitations.id, open.id))
      return { id, signInEpoch: 1 }
    })
  } catch (error) {
    if (!isDuplicate(error)) throw error
    throw new Taken('email', `There is an account for ${email} already: use another address.`)
  }
}

/**
 * Another role, or away and back. An academy keeps an owner.
 * @throws 404; 422 where nobody would be left who may do all
 */
export async function changePerson(coach: Coach, personId: string, change: PersonChange): Promise<AcademyPeople> {
  await transaction(async tx => {
    const all = await tx.select().from(coaches).where(eq(coaches.academyId, coach.academyId)).for('update')
    const person = all.find(({ id }) => id === personId)
    if (!person) throw new NotFound('person')
    const role = change.role ?? person.role
    const leftAt = change.left === undefined ? person.leftAt : change.left ? (person.leftAt ?? new Date()) : null
    const owners = all.filter(other =>
      other.id === personId ? role === 'owner' && leftAt === null : other.role === 'owner' && other.leftAt === null,
    )
    if (owners.length === 0)
      throw new Unfit('An academy needs an owner: make somebody else the owner first.', [
        { field: change.left ? 'left' : 'role', message: 'An academy needs an owner.' },
      ])
    await tx.update(coaches).set({ role, leftAt }).where(eq(coaches.id, personId))
    if (leftAt !== null)
      await tx
        .update(signIns)
        .set({ endedAt: new Date() })
        .where(and(eq(signIns.coachId, personId), isNull(signIns.endedAt)))
  })
  return peopleOf(coach)
}
