import { and, asc, count, desc, eq } from 'drizzle-orm'
import { drills, goes, homework } from '../db/schema'
import { checkShared, type Coach } from './coaches'
import { findPlayer } from './players'
import { GOES_TOLD, HOMEWORK_MAX, OWN_DRILLS_MAX } from '../../shared/limits'
import { goTimesRight, mergedGo, type PracticeRecord } from '../../shared/practice'
import type { GoRecord, HomeworkRecord, OwnDrill } from '../../shared/schemas/practice'
import { isDuplicate } from '../db/database-errors'
import { transaction, useDatabase } from '../db/database'
import { NotFound, Taken, Unfit } from './faults'

/** Everything practised and set, newest first. @throws 404 */
export async function practiceOf(coach: Coach, playerId: string): Promise<PracticeRecord> {
  await findPlayer(coach, playerId)
  const [done, set, own] = await Promise.all([goesOf(playerId), homeworkOf(playerId), drillsOf(coach)])
  return { goes: done, homework: set, drills: own }
}

/** What a player practised, newest first. */
export async function goesOf(playerId: string): Promise<GoRecord[]> {
  const rows = await useDatabase()
    .select({ body: goes.body })
    .from(goes)
    .where(eq(goes.playerId, playerId))
    .orderBy(desc(goes.startedAt), desc(goes.id))
    .limit(GOES_TOLD)
  return rows.map(({ body }) => body)
}

async function homeworkOf(playerId: string): Promise<HomeworkRecord[]> {
  const rows = await useDatabase()
    .select({ body: homework.body })
    .from(homework)
    .where(eq(homework.playerId, playerId))
    .orderBy(desc(homework.createdAt), desc(homework.id))
  return rows.map(({ body }) => body)
}

async function drillsOf({ academyId }: Coach): Promise<OwnDrill[]> {
  return useDatabase()
    .select({ id: drills.id, name: drills.name, spec: drills.spec })
    .from(drills)
    .where(eq(drills.academyId, academyId))
    .orderBy(asc(drills.name), asc(drills.id))
}

/**
 * Puts a go as a device knows it, together with what others have sent of it: no ball goes. The caller has found the
 * player.
 * @param coachId null for the player's own phone
 * @throws 409 when the id is another player's
 */
export async function putGo(playerId: string, coachId: string | null, sent: GoRecord): Promise<GoRecord> {
  const nowMs = Date.now()
  return transaction(async tx => {
    const [there] = await tx
      .select({ playerId: goes.playerId, body: goes.body })
      .from(goes)
      .where(eq(goes.id, sent.id))
      .for('update')
    if (there && there.playerId !== playerId) throw new Taken()
    const right = goTimesRight(sent, there?.body, nowMs)
    const body = there ? mergedGo(there.body, right) : right
    const columns = { body, version: body.version, startedAt: new Date(body.startedAtMs) }
    if (there) await tx.update(goes).set(columns).where(eq(goes.id, sent.id))
    else await tx.insert(goes).values({ id: sent.id, playerId, coachId, ...columns })
    return body
  })
}

/** The caller has found the player. @throws 404 */
export async function findGo(playerId: string, id: string): Promise<GoRecord> {
  const [row] = await useDatabase()
    .select({ body: goes.body })
    .from(goes)
    .where(and(eq(goes.id, id), eq(goes.playerId, playerId)))
  if (!row) throw new NotFound('go')
  return row.body
}

/** @throws 404, 409 */
export async function putCoachedGo(coach: Coach, playerId: string, sent: GoRecord): Promise<GoRecord> {
  await findPlayer(coach, playerId)
  return putGo(playerId, coach.id, sent)
}

/** Homework as it stands now, set or taken back. Sent twice it is there once. @throws 404, 409, 422 */
export async function putHomework(coach: Coach, playerId: string, sent: HomeworkRecord): Promise<HomeworkRecord> {
  await findPlayer(coach, playerId)
  const db = useDatabase()
  const [[there], [set]] = await Promise.all([
    db.select({ playerId: homework.playerId }).from(homework).where(eq(homework.id, sent.id)),
    db.select({ n: count() }).from(homework).where(eq(homework.playerId, playerId)),
  ])
  if (there && there.playerId !== playerId) throw new Taken()
  if (!there && set!.n >= HOMEWORK_MAX)
    throw new Unfit(`${HOMEWORK_MAX} are set already: take one back first.`, [
      { field: 'id', message: `${HOMEWORK_MAX} are set already.` },
    ])
  const columns = { body: sent, withdrawn: sent.withdrawn }
  try {
    if (there) await db.update(homework).set(columns).where(eq(homework.id, sent.id))
    else await db.insert(homework).values({ id: sent.id, playerId, coachId: coach.id, ...columns })
  } catch (error) {
    // The same one twice at once: the first is there now, and it is the same.
    if (!isDuplicate(error)) throw error
  }
  return sent
}

/** Homework of the player's phone: what was taken back is not among it. The caller has found the player. */
export async function homeworkOfLink(playerId: string): Promise<{ homework: HomeworkRecord[]; goes: GoRecord[] }> {
  const set = (await homeworkOf(playerId)).filter(({ withdrawn }) => !withdrawn)
  const ids = new Set(set.map(({ id }) => id))
  // What was done of it alone: the coach's other goes are not the link's to show.
  const done = (await goesOf(playerId)).filter(go => go.homeworkId !== null && ids.has(go.homeworkId) && !go.gone)
  return { homework: set, goes: done }
}

/** A go from the player's phone: of homework that still stands. @throws 404, 409 */
export async function putOwnGo(playerId: string, sent: GoRecord): Promise<GoRecord> {
  const [row] = await useDatabase()
    .select({ id: homework.id })
    .from(homework)
    .where(and(eq(homework.id, sent.homeworkId ?? ''), eq(homework.playerId, playerId), eq(homework.withdrawn, false)))
  if (!row) throw new NotFound('homework')
  const [there] = await useDatabase().select({ body: goes.body }).from(goes).where(eq(goes.id, sent.id))
  // The coach's own goes are not the phone's to change.
  if (there && there.body.homeworkId !== sent.homeworkId) throw new Taken()
  return putGo(playerId, null, sent)
}

/** Keeps a drill of the academy's own. @throws 409, 422 */
export async function putDrill(coach: Coach, { id, name, spec }: OwnDrill): Promise<void> {
  const { academyId } = coach
  const db = useDatabase()
  const [[there], [kept]] = await Promise.all([
    db.select({ academyId: drills.academyId }).from(drills).where(eq(drills.id, id)),
    db.select({ n: count() }).from(drills).where(eq(drills.academyId, academyId)),
  ])
  if (there && there.academyId !== academyId) throw new Taken()
  if (there) {
    checkShared(coach)
    await db.update(drills).set({ name, spec }).where(eq(drills.id, id))
    return
  }
  if (kept!.n >= OWN_DRILLS_MAX)
    throw new Unfit(`${OWN_DRILLS_MAX} drills are kept already: let one go first.`, [
      { field: 'name', message: `${OWN_DRILLS_MAX} drills are kept already.` },
    ])
  try {
    await db.insert(drills).values({ id, academyId, name, spec })
  } catch (error) {
    if (!isDuplicate(error)) throw error
  }
}

/** Lets a drill go; one that is not there is gone already. */
export async function dropDrill(coach: Coach, id: string): Promise<void> {
  checkShared(coach)
  await useDatabase()
    .delete(drills)
    .where(and(eq(drills.id, id), eq(drills.academyId, coach.academyId)))
}
