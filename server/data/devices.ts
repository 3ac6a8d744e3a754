import { and, asc, desc, eq, isNull } from 'drizzle-orm'
import { deviceAims, devices, players } from '../db/schema'
import type { Coach } from './coaches'
import { checkBelongings } from './shots'
import type { Device } from '../../shared/device'
import type { DeviceAim, NewDevice } from '../../shared/schemas/device'
import { isDuplicate } from '../db/database-errors'
import { useDatabase, usePool } from '../db/database'
import { NotFound, Taken } from './faults'

/** A device that came with a good token. It may put balls where its coach's screen says, and nothing else. */
export interface KnownDevice {
  id: string
  coachId: string
  academyId: string
  /** All players of the academy; else only those that are this coach's own. */
  seesAll: boolean
}

/** Where a device's balls went from a moment on; no session ends it. */
export interface Aim {
  fromMs: number
  /** Of somebody whom the device's coach sees no longer, or who is archived: its balls wait with the coach. */
  blind: boolean
  playerId: string | null
  sessionId: string | null
  clubId: string | null
  rungId: string | null
}

/** A page that was away for longer says nothing of what was chosen then. */
const LONGEST_AGO_MS = 86_400_000

const columns = { id: devices.id, name: devices.name, createdAt: devices.createdAt, heardAt: devices.heardAt }
const own = (coach: Coach, deviceId: string) =>
  and(eq(devices.id, deviceId), eq(devices.coachId, coach.id), isNull(devices.revokedAt))

async function withAim({
  id,
  name,
  createdAt,
  heardAt,
}: {
  id: string
  name: string
  createdAt: Date
  heardAt: Date | null
}): Promise<Device> {
  const [aim] = await useDatabase()
    .select({ sessionId: deviceAims.sessionId })
    .from(deviceAims)
    .where(eq(deviceAims.deviceId, id))
    .orderBy(desc(deviceAims.fromAt))
    .limit(1)
  return {
    id,
    name,
    createdAtMs: createdAt.getTime(),
    heardAtMs: heardAt?.getTime() ?? null,
    sessionId: aim?.sessionId ?? null,
  }
}

/** The coach's devices, oldest first; revoked ones are gone. */
export async function devicesOf(coach: Coach): Promise<Device[]> {
  const rows = await useDatabase()
    .select(columns)
    .from(devices)
    .where(and(eq(devices.coachId, coach.id), isNull(devices.revokedAt)))
    .orderBy(asc(devices.createdAt), asc(devices.id))
  return Promise.all(rows.map(withAim))
}

/** @throws 404 for one that is not there, revoked, or another coach's */
async function findDevice(coach: Coach, deviceId: string): Promise<Device> {
  const [row] = await useDatabase().select(columns).from(devices).where(own(coach, deviceId))
  if (!row) throw new NotFound('device')
  return withAim(row)
}

/** @throws 409 when the id is taken: its token was shown once and cannot be shown again */
export async function addDevice(coach: Coach, { id, name }: NewDevice, tokenHash: string): Promise<Device> {
  try {
    await useDatabase().insert(devices).values({ id, coachId: coach.id, name, tokenHash })
  } catch (error) {
    if (isDuplicate(error)) throw new Taken('id', 'This device was made already.')
    throw error
  }
  return findDevice(coach, id)
}

/** From now on its token opens nothing. @throws 404 */
export async function revokeDevice(coach: Coach, deviceId: string): Promise<void> {
  const [done] = await useDatabase().update(devices).set({ revokedAt: new Date() }).where(own(coach, deviceId))
  if (done.affectedRows === 0) throw new NotFound('device')
}

/** For the ingest door alone: nobody is signed in there. */
export async function deviceByToken(tokenHash: string): Promise<KnownDevice | undefined> {
  const [rows] = await usePool().execute(
    'select d.id, d.coach_id as coachId, c.academy_id as academyId, ' +
      "(c.role <> 'coach' or a.coaches_see = 'all') as seesAll from devices d join " +
      'coaches c on c.id = d.coach_id join academies a on a.id = c.academy_id ' +
      "where d.token_hash = ? and d.revoked_at is null and c.left_at is null and c.role <> 'reader'",
    [tokenHash],
  )
  const [row] = rows as (Omit<KnownDevice, 'seesAll'> & { seesAll: number })[]
  return row && { ...row, seesAll: row.seesAll === 1 }
}

export async function deviceHeard({ id }: KnownDevice, atMs: number): Promise<void> {
  await useDatabase()
    .update(devices)
    .set({ heardAt: new Date(atMs) })
    .where(eq(devices.id, id))
}

/**
 * From a moment on the device's balls are for this stock shot, or for nothing.
 * @param fromMs by the server's clock
 * @throws 404 for a device or player that is not the coach's, 422 naming what is not the player's
 */
export async function aimDevice(coach: Coach, deviceId: string, at: DeviceAim['at'], fromMs: number): Promise<Device> {
  await findDevice(coach, deviceId)
  if (at) await checkBelongings(coach, at.playerId, [at], name => name)
  const aim = at ?? { playerId: null, sessionId: null, clubId: null, rungId: null }
  await useDatabase()
    .insert(deviceAims)
    .values({ deviceId, fromAt: new Date(Math.max(fromMs, Date.now() - LONGEST_AGO_MS)), ...aim })
    .onDuplicateKeyUpdate({ set: aim })
  return findDevice(coach, deviceId)
}

/** What a device was aimed at, newest first. Balls later than half a day find their place no more. */
export async function aimsOf({ id, academyId, coachId, seesAll }: KnownDevice): Promise<Aim[]> {
  const rows = await useDatabase()
    .select({
      aim: deviceAims,
      academyId: players.academyId,
      coachId: players.coachId,
      archivedAt: players.archivedAt,
    })
    .from(deviceAims)
    .leftJoin(players, eq(players.id, deviceAims.playerId))
    .where(eq(deviceAims.deviceId, id))
    .orderBy(desc(deviceAims.fromAt))
    .limit(500)
  return rows.map(({ aim: { fromAt, deviceId: _, ...aim }, ...player }) => {
    const sees = player.academyId === academyId && (seesAll || player.coachId === coachId)
    return { ...aim, fromMs: fromAt.getTime(), blind: aim.playerId !== null && (!sees || player.archivedAt !== null) }
  })
}
