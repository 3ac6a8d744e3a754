import { and, asc, count, eq, gte, inArray, isNull } from 'drizzle-orm'
import { clubs, ownBalls, playerLinks, players, rungs, sessions, shots } from '../db/schema'
import type { Coach } from './coaches'
import { findPlayer } from './players'
import { newestPublished } from './newest-published'
import { homeworkOfLink } from './practice'
import { toldOf } from './sessions'
import { handedPages } from './what-ifs'
import { USUAL_PLAN } from '../../shared/choices'
import { possibleTime } from '../../shared/clock'
import { isConsentOpen } from '../../shared/player'
import { OWN_BALLS_A_DAY, OWN_BALLS_A_PAGE, OWN_BALLS_WAITING } from '../../shared/limits'
import type { LinkStrength } from '../../shared/choices'
import type { LinkView, OwnBallsTaken, PlayerLink, WaitingBalls } from '../../shared/player-link'
import type { NewLink, OwnBall } from '../../shared/schemas/player-link'
import { v7 as newId } from 'uuid'
import { isDuplicate } from '../db/database-errors'
import { transaction, useDatabase } from '../db/database'
import { NotFound, Taken, Unfit } from './faults'

const DAY_MS = 86_400_000
const columns = {
  id: playerLinks.id,
  strength: playerLinks.strength,
  createdAt: playerLinks.createdAt,
  openedAt: playerLinks.openedAt,
}
const toLink = ({
  id,
  strength,
  createdAt,
  openedAt,
}: {
  id: string
  strength: LinkStrength
  createdAt: Date
  openedAt: Date | null
}): PlayerLink => ({ id, strength, createdAtMs: createdAt.getTime(), openedAtMs: openedAt?.getTime() ?? null })

/** The private addresses of a player that still open, oldest first. @throws 404 */
export async function linksOf(coach: Coach, playerId: string): Promise<PlayerLink[]> {
  await findPlayer(coach, playerId)
  return (
    await useDatabase()
      .select(columns)
      .from(playerLinks)
      .where(and(eq(playerLinks.playerId, playerId), isNull(playerLinks.revokedAt)))
      .orderBy(asc(playerLinks.createdAt), asc(playerLinks.id))
  ).map(toLink)
}

/**
 * @throws 404; 409 when the id is taken: its token was shown once and cannot be shown again; 422 while a guardian has
 * not agreed
 */
export async function addLink(
  coach: Coach,
  playerId: string,
  { id, strength }: NewLink,
  tokenHash: string,
): Promise<PlayerLink> {
  const { player } = await findPlayer(coach, playerId)
  if (isConsentOpen(player))
    throw new Unfit(`${player.name} is under age, and nobody has agreed yet: note who did in the player’s details.`, [
      { field: 'guardian', message: 'A parent or guardian has not agreed yet.' },
    ])
  try {
    await useDatabase().insert(playerLinks).values({ id, playerId, coachId: coach.id, strength, tokenHash })
  } catch (error) {
    if (isDuplicate(error)) throw new Taken('id', 'This link was made already.')
    throw error
  }
  const [row] = await useDatabase().select(columns).from(playerLinks).where(eq(playerLinks.id, id))
  return toLink(row!)
}

/** From now on its token opens nothing. @throws 404 */
export async function revokeLink(coach: Coach, playerId: string, linkId: string): Promise<void> {
  await findPlayer(coach, playerId)
  const [done] = await useDatabase()
    .update(playerLinks)
    .set({ revokedAt: new Date() })
    .where(and(eq(playerLinks.id, linkId), eq(playerLinks.playerId, playerId), isNull(playerLinks.revokedAt)))
  if (done.affectedRows === 0) throw new NotFound('link')
}

/** Who came with a good token. It opens one player's published chart, and nothing else. */
export interface KnownLink {
  id: string
  playerId: string
  coachId: string
  strength: LinkStrength
  player: string
  /** A guardian has not agreed, or has taken it back: it opens nothing meanwhile. */
  waits: boolean
}

/** For the player's door alone: nobody is signed in there. */
export async function linkByToken(tokenHash: string): Promise<KnownLink | undefined> {
  const [row] = await useDatabase()
    .select({
      id: playerLinks.id,
      playerId: playerLinks.playerId,
      coachId: playerLinks.coachId,
      strength: playerLinks.strength,
      player: players.name,
      guardian: players.guardian,
      archivedAt: players.archivedAt,
    })
    .from(playerLinks)
    .innerJoin(players, eq(players.id, playerLinks.playerId))
    .where(and(eq(playerLinks.tokenHash, tokenHash), isNull(playerLinks.revokedAt)))
  if (!row) return undefined
  const { guardian, archivedAt, ...link } = row
  // Archived is as good as withdrawn; whoever brings the player back opens it again.
  return archivedAt ? undefined : { ...link, waits: isConsentOpen({ guardian }) }
}

export async function viewOf({ id, playerId, player, strength }: KnownLink): Promise<LinkView> {
  await useDatabase().update(playerLinks).set({ openedAt: new Date() }).where(eq(playerLinks.id, id))
  const [published, bags, set, told] = await Promise.all([
    newestPublished(playerId),
    handedPages(playerId),
    homeworkOfLink(playerId),
    toldOf(playerId),
  ])
  return { player, strength, published, bags, ...set, ...(told && { told }) }
}

/** How many more balls the player may log now, and in whose words the door is shut when that is none. */
async function roomFor(
  { playerId }: KnownLink,
  waiting: number,
  nowMs: number,
): Promise<{ room: number; full: string }> {
  const [today] = await useDatabase()
    .select({ n: count() })
    .from(ownBalls)
    .where(and(eq(ownBalls.playerId, playerId), gte(ownBalls.createdAt, new Date(nowMs - DAY_MS))))
  const [leftToWait, leftToday] = [OWN_BALLS_WAITING - waiting, OWN_BALLS_A_DAY - today!.n]
  const full =
    leftToWait <= leftToday
      ? `${OWN_BALLS_WAITING} balls wait for your coach already. ` +
        `The others stay on this phone and go when there is room.`
      : `${OWN_BALLS_A_DAY} balls were logged within a day. The others stay on this phone and go tomorrow.`
  return { room: Math.max(0, Math.min(leftToWait, leftToday)), full }
}

const waitingOf = (playerId: string) => and(eq(ownBalls.playerId, playerId), isNull(ownBalls.taken))

async function countWaiting(playerId: string): Promise<number> {
  const [row] = await useDatabase().select({ n: count() }).from(ownBalls).where(waitingOf(playerId))
  return row!.n
}

/**
 * Keeps the player's own balls until the coach nods; sent twice they are there once. A ball whose stock shot is gone is
 * named and holds up no other; what is over the ceiling is for the phone to keep.
 */
export async function putOwnBalls(link: KnownLink, balls: readonly OwnBall[]): Promise<OwnBallsTaken> {
  const db = useDatabase()
  const nowMs = Date.now()
  const ids = balls.map(ball => ball.id)
  const [clubIds, rungIds, before, waiting] = await Promise.all([
    db.select({ id: clubs.id }).from(clubs).where(eq(clubs.playerId, link.playerId)),
    db.select({ id: rungs.id }).from(rungs).where(eq(rungs.playerId, link.playerId)),
    db.select({ id: ownBalls.id, playerId: ownBalls.playerId }).from(ownBalls).where(inArray(ownBalls.id, ids)),
    countWaiting(link.playerId),
  ])
  const known = new Set([...clubIds, ...rungIds].map(({ id }) => id))
  const there = new Map(before.map(({ id, playerId }) => [id, playerId]))
  const refused: OwnBallsTaken['refused'] = []
  const fresh: OwnBall[] = []
  for (const ball of balls) {
    const owner = there.get(ball.id)
    if (owner !== undefined && owner !== link.playerId) refused.push({ id: ball.id, message: 'This id is taken.' })
    else if (owner !== undefined) continue
    else if (!known.has(ball.clubId) || !known.has(ball.rungId))
      refused.push({ id: ball.id, message: 'This stock shot is not in the bag any more.' })
    else fresh.push(ball)
  }
  const { room, full } = await roomFor(link, waiting, nowMs)
  const fits = fresh.slice(0, room)
  if (fits.length > 0) {
    await db
      .insert(ownBalls)
      .ignore()
      .values(
        fits.map(({ hitAtMs, ...ball }) => ({
          ...ball,
          playerId: link.playerId,
          linkId: link.id,
          hitAt: new Date(possibleTime(hitAtMs, undefined, nowMs)),
        })),
      )
  }
  const left = new Set([...fresh.slice(room), ...refused].map(({ id }) => id))
  return { taken: ids.filter(id => !left.has(id)), refused, full: fresh.length > room ? full : null }
}

/** Balls that wait for the coach's decision, oldest first: the first page of them. @throws 404 */
export async function waitingBalls(coach: Coach, playerId: string): Promise<WaitingBalls> {
  await findPlayer(coach, playerId)
  const [rows, waiting] = await Promise.all([
    useDatabase()
      .select()
      .from(ownBalls)
      .where(waitingOf(playerId))
      .orderBy(asc(ownBalls.hitAt), asc(ownBalls.id))
      .limit(OWN_BALLS_A_PAGE),
    countWaiting(playerId),
  ])
  return {
    waiting,
    balls: rows.map(({ id, clubId, rungId, carryM, method, hitAt }) => ({
      id,
      clubId,
      rungId,
      carryM,
      method,
      hitAtMs: hitAt.getTime(),
    })),
  }
}

/**
 * The coach's decision: taken balls become shots of a session of their own, one a day and method; the others count for
 * nothing.
 * @throws 404
 */
export async function decideOwnBalls(
  coach: Coach,
  playerId: string,
  ids: readonly string[],
  take: boolean,
): Promise<void> {
  await findPlayer(coach, playerId)
  await transaction(async tx => {
    const mine = and(eq(ownBalls.playerId, playerId), inArray(ownBalls.id, [...ids]), isNull(ownBalls.taken))
    const balls = await tx
      .select()
      .from(ownBalls)
      .where(mine)
      .orderBy(asc(ownBalls.hitAt), asc(ownBalls.id))
      .for('update')
    if (balls.length === 0) return
    await tx
      .update(ownBalls)
      .set({ taken: take })
      .where(
        inArray(
          ownBalls.id,
          balls.map(ball => ball.id),
        ),
      )
    if (!take) return
    const made = new Map<string, string>()
    for (const { id, clubId, rungId, carryM, method, hitAt } of balls) {
      const key = `${hitAt.toISOString().slice(0, 10)} ${method}`
      if (!made.has(key)) {
        const sessionId = newId()
        made.set(key, sessionId)
        const last = balls.filter(other => `${other.hitAt.toISOString().slice(0, 10)} ${other.method}` === key).at(-1)!
        await tx.insert(sessions).values({
          id: sessionId,
          playerId,
          coachId: coach.id,
          startedAt: hitAt,
          endedAt: last.hitAt,
          method,
          ball: 'own',
          surface: 'grass',
          air: [],
          plan: { ...USUAL_PLAN, name: 'Logged by the player' },
        })
      }
      await tx.insert(shots).values({ id, playerId, sessionId: made.get(key)!, clubId, rungId, carryM, method, hitAt })
    }
  })
}
