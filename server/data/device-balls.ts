import { and, asc, count, eq, gte, inArray, lt } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { deviceBalls, devices, sessions, shots } from '../db/schema'
import { transaction, useDatabase } from '../db/database'
import { DEVICE_BALLS_DAYS } from '../../shared/keep-times'
import { OWN_BALLS_A_PAGE, OWN_BALLS_WAITING } from '../../shared/limits'
import { USUAL_PLAN } from '../../shared/choices'
import type { DeviceBall, DeviceBallsWaiting } from '../../shared/device'
import type { DeviceBallsDecision } from '../../shared/schemas/device'
import { bagOfPlayer } from './bags'
import type { Coach } from './coaches'
import type { KnownDevice } from './devices'
import { Unfit } from './faults'
import { findPlayer } from './players'

const DAY_MS = 86_400_000
const goneBefore = () => new Date(Date.now() - DEVICE_BALLS_DAYS * DAY_MS)
const mine = (coachId: string) => and(eq(deviceBalls.coachId, coachId), gte(deviceBalls.createdAt, goneBefore()))

async function countWaiting(coachId: string): Promise<number> {
  const [row] = await useDatabase().select({ n: count() }).from(deviceBalls).where(mine(coachId))
  return row!.n
}

/** Which of these ids wait already. */
export async function waitBefore(ids: readonly string[]): Promise<Set<string>> {
  if (ids.length === 0) return new Set()
  const rows = await useDatabase()
    .select({ id: deviceBalls.id })
    .from(deviceBalls)
    .where(inArray(deviceBalls.id, [...ids]))
  return new Set(rows.map(({ id }) => id))
}

/**
 * Keeps balls that were hit for somebody the device's coach sees no longer. What waited too long goes.
 * @throws 422 where too many wait already: the device keeps them
 */
export async function keepDeviceBalls(
  { id: deviceId, coachId }: KnownDevice,
  balls: readonly { id: string; hitAtMs: number; ball: DeviceBall }[],
): Promise<void> {
  const db = useDatabase()
  await db.delete(deviceBalls).where(and(eq(deviceBalls.coachId, coachId), lt(deviceBalls.createdAt, goneBefore())))
  if ((await countWaiting(coachId)) + balls.length > OWN_BALLS_WAITING)
    throw new Unfit(`${OWN_BALLS_WAITING} balls of devices wait for their coach already: none was taken.`)
  await db
    .insert(deviceBalls)
    .ignore()
    .values(balls.map(({ id, hitAtMs, ball }) => ({ id, deviceId, coachId, hitAt: new Date(hitAtMs), ball })))
}

/** Balls of the coach's devices that wait for a word, oldest first. */
export async function deviceBallsOf(coach: Coach): Promise<DeviceBallsWaiting> {
  const [rows, waiting] = await Promise.all([
    useDatabase()
      .select({ id: deviceBalls.id, device: devices.name, hitAt: deviceBalls.hitAt, ball: deviceBalls.ball })
      .from(deviceBalls)
      .innerJoin(devices, eq(devices.id, deviceBalls.deviceId))
      .where(mine(coach.id))
      .orderBy(asc(deviceBalls.hitAt), asc(deviceBalls.id))
      .limit(OWN_BALLS_A_PAGE),
    countWaiting(coach.id),
  ])
  return {
    waiting,
    balls: rows.map(({ id, device, hitAt, ball }) => ({ id, device, hitAtMs: hitAt.getTime(), carryM: ball.carryM })),
  }
}

/**
 * Balls that waited become a player's, in a session of their own for each day, or nobody's.
 * @throws 404 for a player whom the coach does not see; 422 for one who is archived, or what is not in the bag
 */
export async function decideDeviceBalls(coach: Coach, { ids, to }: DeviceBallsDecision): Promise<void> {
  if (to) {
    const { player } = await findPlayer(coach, to.playerId)
    if (player.archived) throw new Unfit(`${player.name} is archived: bring the player back first.`)
    const { clubs, scale } = await bagOfPlayer(coach, to.playerId)
    if (!clubs.some(({ id }) => id === to.clubId))
      throw new Unfit("This club is not in the player's bag.", [{ field: 'to.clubId', message: 'Not in the bag.' }])
    if (!scale.rungs.some(({ id }) => id === to.rungId))
      throw new Unfit("This swing length is not on the player's scale.", [
        { field: 'to.rungId', message: 'Not on the scale.' },
      ])
  }
  await transaction(async tx => {
    const rows = await tx
      .select()
      .from(deviceBalls)
      .where(and(eq(deviceBalls.coachId, coach.id), inArray(deviceBalls.id, [...ids])))
      .orderBy(asc(deviceBalls.hitAt), asc(deviceBalls.id))
      .for('update')
    if (rows.length === 0) return
    await tx.delete(deviceBalls).where(
      inArray(
        deviceBalls.id,
        rows.map(({ id }) => id),
      ),
    )
    if (!to) return
    for (const day of new Set(rows.map(({ hitAt }) => dayOf(hitAt)))) {
      const balls = rows.filter(({ hitAt }) => dayOf(hitAt) === day)
      const sessionId = newId()
      await tx.insert(sessions).values({
        id: sessionId,
        playerId: to.playerId,
        coachId: coach.id,
        startedAt: balls[0]!.hitAt,
        endedAt: balls.at(-1)!.hitAt,
        method: balls[0]!.ball.method,
        ball: to.ball,
        surface: 'grass',
        air: [],
        plan: { ...USUAL_PLAN, name: 'Balls that waited' },
      })
      await tx.insert(shots).values(
        balls.map(({ id, hitAt, ball }) => ({
          ...ball,
          id,
          hitAt,
          sessionId,
          playerId: to.playerId,
          clubId: to.clubId,
          rungId: to.rungId,
        })),
      )
    }
  })
}
const dayOf = (at: Date) => at.toISOString().slice(0, 10)
