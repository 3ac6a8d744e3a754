import { and, asc, eq, inArray, isNull } from 'drizzle-orm'
import { clubs, ownBalls, playerLinks, players, rungs, sessions, shots } from '../db/schema'
import type { Coach } from './coaches'
import { findPlayer } from './players'
import { newestPublished } from './newest-published'
import { handedPages } from './what-ifs'
import { USUAL_PLAN } from '../../shared/session'
import type { LinkStrength, LinkView, NewLink, OwnBall, PlayerLink } from '../../shared/player-link'
import { v7 as newId } from 'uuid'

const columns = { id: playerLinks.id, strength: playerLinks.strength, createdAt: playerLinks.createdAt, openedAt: playerLinks.openedAt }
const toLink = ({ id, strength, createdAt, openedAt }: { id: string, strength: LinkStrength, createdAt: Date, openedAt: Date | null }): PlayerLink => ({ id, strength, createdAtMs: createdAt.getTime(), openedAtMs: openedAt?.getTime() ?? null })

/** The private addresses of a player that still open, oldest first. @throws 404 */
export async function linksOf(coach: Coach, playerId: string): Promise<PlayerLink[]> {
  await findPlayer(coach, playerId)
  return (await useDatabase().select(columns).from(playerLinks).where(and(eq(playerLinks.playerId, playerId), isNull(playerLinks.revokedAt))).orderBy(asc(playerLinks.createdAt), asc(playerLinks.id))).map(toLink)
}

/** @throws 404; 409 when the id is taken: its token was shown once and cannot be shown again */
export async function addLink(coach: Coach, playerId: string, { id, strength }: NewLink, tokenHash: string): Promise<PlayerLink> {
  await findPlayer(coach, playerId)
  try {
    await useDatabase().insert(playerLinks).values({ id, playerId, coachId: coach.id, strength, tokenHash })
  } catch (error) {
    if (isDuplicate(error)) throw refuse(409, 'This link was made already.', [{ field: 'id', message: 'This link was made already.' }])
    throw error
  }
  const [row] = await useDatabase().select(columns).from(playerLinks).where(eq(playerLinks.id, id))
  return toLink(row!)
}

/** From now on its token opens nothing. @throws 404 */
export async function revokeLink(coach: Coach, playerId: string, linkId: string): Promise<void> {
  await findPlayer(coach, playerId)
  const [done] = await useDatabase().update(playerLinks).set({ revokedAt: new Date() }).where(and(eq(playerLinks.id, linkId), eq(playerLinks.playerId, playerId), isNull(playerLinks.revokedAt)))
  if (done.affectedRows === 0) throw notFound('link')
}

/** Who came with a good token. It opens one player's published chart, and nothing else. */
export interface KnownLink { id: string, playerId: string, coachId: string, strength: LinkStrength, player: string }

/** For the player's door alone: nobody is signed in there. */
export async function linkByToken(tokenHash: string): Promise<KnownLink | undefined> {
  const [row] = await useDatabase().select({ id: playerLinks.id, playerId: playerLinks.playerId, coachId: playerLinks.coachId, strength: playerLinks.strength, player: players.name })
    .from(playerLinks).innerJoin(players, eq(players.id, playerLinks.playerId)).where(and(eq(playerLinks.tokenHash, tokenHash), isNull(playerLinks.revokedAt)))
  return row
}

export async function viewOf({ id, playerId, player, strength }: KnownLink): Promise<LinkView> {
  await useDatabase().update(playerLinks).set({ openedAt: new Date() }).where(eq(playerLinks.id, id))
  const [published, bags] = await Promise.all([newestPublished(playerId), handedPages(playerId)])
  return { player, strength, published, bags }
}

/** Keeps the player's own balls until the coach nods; sent twice they are there once. @throws 422 */
export async function putOwnBalls(link: KnownLink, balls: readonly OwnBall[]): Promise<void> {
  const db = useDatabase()
  const [clubIds, rungIds] = await Promise.all([
    db.select({ id: clubs.id }).from(clubs).where(eq(clubs.playerId, link.playerId)), db.select({ id: rungs.id }).from(rungs).where(eq(rungs.playerId, link.playerId)),
  ])
  const known = new Set([...clubIds, ...rungIds].map(({ id }) => id))
  if (balls.some(ball => !known.has(ball.clubId) || !known.has(ball.rungId))) throw refuse(422, 'A stock shot is not in the bag any more: open the chart anew.', [{ field: 'balls', message: 'A stock shot is not in the bag any more.' }])
  await db.insert(ownBalls).ignore().values(balls.map(({ hitAtMs, ...ball }) => ({ ...ball, playerId: link.playerId, linkId: link.id, hitAt: new Date(hitAtMs) })))
}

/** Balls that wait for the coach's nod, oldest first. @throws 404 */
export async function waitingBalls(coach: Coach, playerId: string): Promise<OwnBall[]> {
  await findPlayer(coach, playerId)
  const rows = await useDatabase().select().from(ownBalls).where(and(eq(ownBalls.playerId, playerId), isNull(ownBalls.taken))).orderBy(asc(ownBalls.hitAt), asc(ownBalls.id))
  return rows.map(({ id, clubId, rungId, carryM, method, hitAt }) => ({ id, clubId, rungId, carryM, method, hitAtMs: hitAt.getTime() }))
}

/**
 * The coach's nod: taken balls become shots of a session of their own, one a day and method; the others count for nothing.
 * @throws 404
 */
export async function nod(coach: Coach, playerId: string, ids: readonly string[], take: boolean): Promise<void> {
  await findPlayer(coach, playerId)
  await useDatabase().transaction(async (tx) => {
    const mine = and(eq(ownBalls.playerId, playerId), inArray(ownBalls.id, [...ids]), isNull(ownBalls.taken))
    const balls = await tx.select().from(ownBalls).where(mine).orderBy(asc(ownBalls.hitAt), asc(ownBalls.id)).for('update')
    if (balls.length === 0) return
    await tx.update(ownBalls).set({ taken: take }).where(inArray(ownBalls.id, balls.map(ball => ball.id)))
    if (!take) return
    const made = new Map<string, string>()
    for (const { id, clubId, rungId, carryM, method, hitAt } of balls) {
      const key = `${hitAt.toISOString().slice(0, 10)} ${method}`
      if (!made.has(key)) {
        const sessionId = newId()
        made.set(key, sessionId)
        const last = balls.filter(other => `${other.hitAt.toISOString().slice(0, 10)} ${other.method}` === key).at(-1)!
        await tx.insert(sessions).values({ id: sessionId, playerId, coachId: coach.id, startedAt: hitAt, endedAt: last.hitAt, method, ball: 'own', surface: 'grass', air: [], plan: { ...USUAL_PLAN, name: 'Logged by the player' } })
      }
      await tx.insert(shots).values({ id, playerId, sessionId: made.get(key)!, clubId, rungId, carryM, method, hitAt })
    }
  })
}
