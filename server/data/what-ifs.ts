import { and, count, desc, eq, isNotNull } from 'drizzle-orm'
import { whatIfs } from '../db/schema'
import type { Coach } from './coaches'
import { findPlayer } from './players'
import type { HandedBag } from '../../shared/schemas/handed-bag'
import type { HandedPage } from '../../shared/handed-bag'
import { WHAT_IFS_MAX } from '../../shared/limits'
import type { KeptWhatIf } from '../../shared/what-if'
import type { NewWhatIf } from '../../shared/schemas/what-if'
import { useDatabase } from '../db/database'
import { NotFound, Taken, Unfit } from './faults'

/** Kept bags of a player, newest first. @throws 404 */
export async function keptWhatIfs(coach: Coach, playerId: string): Promise<KeptWhatIf[]> {
  await findPlayer(coach, playerId)
  const rows = await useDatabase()
    .select()
    .from(whatIfs)
    .where(eq(whatIfs.playerId, playerId))
    .orderBy(desc(whatIfs.createdAt), desc(whatIfs.id))
  return rows.map(({ id, name, body, createdAt, handedAt }) => ({
    id,
    name,
    body,
    keptAtMs: createdAt.getTime(),
    handedAtMs: handedAt?.getTime() ?? null,
  }))
}

/**
 * Keeps a bag under a name; sent twice it is there once, with the later name and bag.
 * @throws 404; 409 when the id is another's; 422 when there are too many
 */
export async function keepWhatIf(coach: Coach, playerId: string, { id, name, body }: NewWhatIf): Promise<void> {
  const db = useDatabase()
  await findPlayer(coach, playerId)
  const [[there], [kept]] = await Promise.all([
    db.select({ playerId: whatIfs.playerId }).from(whatIfs).where(eq(whatIfs.id, id)),
    db.select({ n: count() }).from(whatIfs).where(eq(whatIfs.playerId, playerId)),
  ])
  if (there && there.playerId !== playerId) throw new Taken()
  if (there) {
    await db.update(whatIfs).set({ name, body }).where(eq(whatIfs.id, id))
    return
  }
  if (kept!.n >= WHAT_IFS_MAX)
    throw new Unfit(`${WHAT_IFS_MAX} bags are kept already: let one go first.`, [
      { field: 'name', message: `${WHAT_IFS_MAX} bags are kept already.` },
    ])
  await db.insert(whatIfs).values({ id, playerId, coachId: coach.id, name, body })
}

/** Hands a kept bag to the player, as the page says it, or takes it back (null). @throws 404 */
export async function handOver(coach: Coach, playerId: string, id: string, page: HandedBag | null): Promise<void> {
  await findPlayer(coach, playerId)
  const [done] = await useDatabase()
    .update(whatIfs)
    .set({ page, handedAt: page && new Date() })
    .where(and(eq(whatIfs.id, id), eq(whatIfs.playerId, playerId)))
  if (done.affectedRows === 0) throw new NotFound('kept bag')
}

/** What the player's phone shows of thought-of bags, newest first. The caller has found the player to be the link's. */
export async function handedPages(playerId: string): Promise<HandedPage[]> {
  const rows = await useDatabase()
    .select({ id: whatIfs.id, name: whatIfs.name, page: whatIfs.page, handedAt: whatIfs.handedAt })
    .from(whatIfs)
    .where(and(eq(whatIfs.playerId, playerId), isNotNull(whatIfs.handedAt)))
    .orderBy(desc(whatIfs.handedAt), desc(whatIfs.id))
  return rows.map(({ id, name, page, handedAt }) => ({ id, name, handedAtMs: handedAt!.getTime(), page: page! }))
}

/** Lets a kept bag go; one that is not there is gone already. @throws 404 for the player */
export async function dropWhatIf(coach: Coach, playerId: string, id: string): Promise<void> {
  await findPlayer(coach, playerId)
  await useDatabase()
    .delete(whatIfs)
    .where(and(eq(whatIfs.id, id), eq(whatIfs.playerId, playerId)))
}
