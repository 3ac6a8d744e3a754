import { and, eq, isNull } from 'drizzle-orm'
import { academies, coaches } from '../db/schema'
import type { LockIn } from '../../core/session/lock-in'
import type { AcademyChange, AccountChange, CoachSettings } from '../../shared/schemas/account'
import type { Account } from '../../shared/account'
import { ROUND_IN_METRES } from '../../shared/player'
import type { AcademyThresholds } from '../../shared/schemas/player'
import type { Role } from '../../shared/rights'
import { isDuplicate } from '../db/database-errors'
import { transaction, useDatabase, usePool } from '../db/database'
import { NotAllowed } from './faults'

/** Who asks. Every query of this folder takes it first. */
export interface Coach {
  id: string
  academyId: string
  name: string
  email: string
  academy: string
  unit: 'yd' | 'm'
  paceM: number | null
  lockIn: LockIn
  settings: CoachSettings
  signInEpoch: number
  role: Role
  /** All players of the academy; else only those that are this coach's own. */
  seesAll: boolean
  /** May change what the whole academy uses: its ranges and its own drills. */
  changesShared: boolean
}

/** What a cookie says. */
export interface Session {
  coachId: string
  epoch: number
  signInId: string
}

const COACH = `
  select c.id, c.academy_id as academyId, c.name, c.email, c.unit, c.pace_m as paceM,
    c.lock_in as lockIn, c.settings, c.sign_in_epoch as signInEpoch, c.role, a.name as academy,
    (c.role <> 'coach' or a.coaches_see = 'all') as seesAll,
    (c.role <> 'coach' or a.coaches_see = 'all' or a.coaches_change) as changesShared
  from coaches c join academies a on a.id = c.academy_id`
const BY_SESSION = `${COACH} join sign_ins s on s.coach_id = c.id and s.id = ? and s.ended_at is null
  where c.id = ? and c.sign_in_epoch = ? and c.left_at is null`

/** The database says yes as 1. */
function coachOf(rows: unknown): Coach | undefined {
  const [row] = rows as (Omit<Coach, 'seesAll' | 'changesShared'> & { seesAll: number; changesShared: number })[]
  return row && { ...row, seesAll: row.seesAll === 1, changesShared: row.changesShared === 1 }
}

/** @throws 403 for a coach whose owner lets nobody but those who see all players change what all use */
export function checkShared({ changesShared }: Coach): void {
  if (!changesShared)
    throw new NotAllowed('All coaches of the academy use this: those who see all its players change it, or the owner.')
}

/** What a raw statement adds behind a player `p`, and its values. */
export const SEEN = 'and (? or p.coach_id = ?)'
export const seenBy = ({ id, seesAll }: Pick<Coach, 'id' | 'seesAll'>): [number, string] => [Number(seesAll), id]

/** Asked by every request: a statement that the database keeps prepared. */
export async function coachBySession({ coachId, epoch, signInId }: Session): Promise<Coach | undefined> {
  const [rows] = await usePool().execute(BY_SESSION, [signInId, coachId, epoch])
  return coachOf(rows)
}

/** For the program's own work, where nobody is signed in. */
export async function coachById(id: string): Promise<Coach | undefined> {
  const [rows] = await usePool().execute(`${COACH} where c.id = ?`, [id])
  return coachOf(rows)
}

/** For the sign-in route alone: nobody is signed in yet. */
export async function coachByEmail(email: string) {
  const [found] = await useDatabase()
    .select({ id: coaches.id, signInEpoch: coaches.signInEpoch, passwordHash: coaches.passwordHash })
    .from(coaches)
    .where(and(eq(coaches.email, email.toLowerCase()), isNull(coaches.leftAt)))
  return found
}

/** True as soon as one account was opened. */
export async function isAnybodyHere(): Promise<boolean> {
  const [one] = await useDatabase().select({ id: coaches.id }).from(coaches).limit(1)
  return one !== undefined
}

/** For new accounts alone: an address of somebody who left is taken too. */
export async function isTaken(email: string): Promise<boolean> {
  const [one] = await useDatabase()
    .select({ id: coaches.id })
    .from(coaches)
    .where(eq(coaches.email, email.toLowerCase()))
  return one !== undefined
}

/** A coach with an academy of one. @returns false when the e-mail has an account already */
export async function createCoach(coach: {
  id: string
  academyId: string
  name: string
  academy: string
  email: string
  passwordHash: string
  unit: 'yd' | 'm'
}): Promise<boolean> {
  try {
    await transaction(async tx => {
      await tx.insert(academies).values({
        id: coach.academyId,
        name: coach.academy,
        thresholds: coach.unit === 'm' ? ROUND_IN_METRES : {},
      })
      await tx.insert(coaches).values({
        id: coach.id,
        academyId: coach.academyId,
        name: coach.name,
        email: coach.email.toLowerCase(),
        passwordHash: coach.passwordHash,
        unit: coach.unit,
      })
    })
    return true
  } catch (error) {
    if (isDuplicate(error)) return false
    throw error
  }
}

export async function changeAccount(coach: Coach, change: AccountChange): Promise<void> {
  if (Object.keys(change).length === 0) return
  await useDatabase().update(coaches).set(change).where(eq(coaches.id, coach.id))
}

/** What flags of all players of the coach's academy are judged by. */
export async function academyThresholdsOf(coach: Coach): Promise<AcademyThresholds> {
  const [row] = await useDatabase()
    .select({ thresholds: academies.thresholds })
    .from(academies)
    .where(eq(academies.id, coach.academyId))
  return row!.thresholds
}

export async function changeAcademy(coach: Coach, change: AcademyChange): Promise<AcademyChange> {
  if (Object.keys(change).length === 0) return change
  const keep = change.keepMonths === undefined ? {} : { keepSetAt: new Date(), keepSetBy: coach.id }
  await useDatabase()
    .update(academies)
    .set({ ...change, ...keep })
    .where(eq(academies.id, coach.academyId))
  return change
}

export async function passwordHashOf(coach: Coach): Promise<string> {
  const [row] = await useDatabase()
    .select({ passwordHash: coaches.passwordHash })
    .from(coaches)
    .where(eq(coaches.id, coach.id))
  return row!.passwordHash
}

/** A new password ends every other session of this coach. @returns the coach's new epoch */
export async function changePassword(coach: Coach, passwordHash: string): Promise<number> {
  const signInEpoch = coach.signInEpoch + 1
  await useDatabase().update(coaches).set({ passwordHash, signInEpoch }).where(eq(coaches.id, coach.id))
  return signInEpoch
}

export function accountOf({ id, name, email, academy, unit, paceM, lockIn, settings, role }: Coach): Account {
  return { id, name, email, academy, unit, paceM, lockIn, settings, role }
}
