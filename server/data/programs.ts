import { and, asc, count, eq, isNull, lt, or } from 'drizzle-orm'
import { coaches, programs } from '../db/schema'
import type { NewProgram } from '../../shared/schemas/program'
import type { Program } from '../../shared/program'
import type { Scope } from '../../shared/choices'
import { PROGRAMS_MAX } from '../../shared/limits'
import { isDuplicate } from '../db/database-errors'
import { useDatabase } from '../db/database'
import { coachById, type Coach } from './coaches'
import { NotFound, Taken, Unfit } from './faults'

/** Written at most this often: it is a hint, and every request would be a write. */
const USED_EVERY_MS = 60_000

const standing = (coach: Pick<Coach, 'id'>) => and(eq(programs.coachId, coach.id), isNull(programs.revokedAt))

/** The coach's keys for programs, oldest first; revoked ones are gone. */
export async function programsOf(coach: Coach): Promise<Program[]> {
  const rows = await useDatabase()
    .select()
    .from(programs)
    .where(standing(coach))
    .orderBy(asc(programs.createdAt), asc(programs.id))
  return rows.map(({ id, name, scope, createdAt, usedAt }) => ({
    id,
    name,
    scope,
    createdAtMs: createdAt.getTime(),
    usedAtMs: usedAt?.getTime() ?? null,
  }))
}

/** @throws 409 when the id is taken: its key was shown once and cannot be shown again; 422 when there are too many */
export async function addProgram(coach: Coach, program: NewProgram, tokenHash: string): Promise<Program> {
  const [row] = await useDatabase().select({ n: count() }).from(programs).where(standing(coach))
  if (row!.n >= PROGRAMS_MAX)
    throw new Unfit(`${PROGRAMS_MAX} keys are kept already: revoke one first.`, [
      { field: 'name', message: `${PROGRAMS_MAX} keys are kept already.` },
    ])
  try {
    await useDatabase()
      .insert(programs)
      .values({ ...program, coachId: coach.id, tokenHash })
  } catch (error) {
    if (isDuplicate(error)) throw new Taken('id', 'This key was made already.')
    throw error
  }
  return { ...program, createdAtMs: Date.now(), usedAtMs: null }
}

/** From now on its key opens nothing. @throws 404 */
export async function revokeProgram(coach: Coach, programId: string): Promise<void> {
  const [done] = await useDatabase()
    .update(programs)
    .set({ revokedAt: new Date() })
    .where(and(standing(coach), eq(programs.id, programId)))
  if (done.affectedRows === 0) throw new NotFound('key')
}

/** In whose name a program comes, and how far it may go. */
export interface KnownProgram {
  id: string
  coach: Coach
  scope: Scope
}

/** For the door alone: nobody is signed in there. Whoever has left has no keys. */
export async function programByToken(tokenHash: string): Promise<KnownProgram | undefined> {
  const [row] = await useDatabase()
    .select({ id: programs.id, scope: programs.scope, coachId: programs.coachId })
    .from(programs)
    .innerJoin(coaches, and(eq(coaches.id, programs.coachId), isNull(coaches.leftAt)))
    .where(and(eq(programs.tokenHash, tokenHash), isNull(programs.revokedAt)))
  const coach = row && (await coachById(row.coachId))
  return coach && { id: row.id, scope: row.scope, coach }
}

export async function noteUsed(programId: string): Promise<void> {
  const now = new Date()
  const before = new Date(now.getTime() - USED_EVERY_MS)
  await useDatabase()
    .update(programs)
    .set({ usedAt: now })
    .where(and(eq(programs.id, programId), or(isNull(programs.usedAt), lt(programs.usedAt, before))))
}
