import { and, asc, eq, inArray } from 'drizzle-orm'
import { cellRemarks, clubs, deviceAims, ownBalls, players, rungs, shots, struckOut } from '../db/schema'
import type { Coach } from './coaches'
import { newestPublished } from './newest-published'
import { ownPlayer } from './players'
import type { Bag } from '../../core/bag/bag'
import type { SchoolId } from '../../core/swing/schools'
import { bagAfter, type BagStep, type StepFault } from '../../core/bag/bag-step'
import { BagChange } from '../../shared/schemas/bag'
import { isDuplicate } from '../db/database-errors'
import { transaction, useDatabase } from '../db/database'
import { NotFound, Stale, Taken, Unfit } from './faults'

type Runner = Pick<ReturnType<typeof useDatabase>, 'select' | 'selectDistinct' | 'insert' | 'update' | 'delete'>

/** The bag of a player that the caller has already found to be the coach's. */
export async function bagOf(playerId: string, school: SchoolId | null, db: Runner = useDatabase()): Promise<Bag> {
  const [clubRows, rungRows, struckRows] = await Promise.all([
    db.select().from(clubs).where(eq(clubs.playerId, playerId)).orderBy(asc(clubs.position)),
    db.select().from(rungs).where(eq(rungs.playerId, playerId)).orderBy(asc(rungs.position)),
    db
      .select({ clubId: struckOut.clubId, rungId: struckOut.rungId })
      .from(struckOut)
      .where(eq(struckOut.playerId, playerId)),
  ])
  return {
    clubs: clubRows.map(({ id, label, name, loftDeg, retired }) => ({ id, label, name, loftDeg, retired })),
    scale: {
      school: school ?? 'clock',
      rungs: rungRows.map(({ id, label, cue, feels, school, flight, fraction, retired }) => ({
        id,
        label,
        cue,
        flight,
        retired,
        ...(feels && { feels }),
        ...(school && { school }),
        ...(fraction !== null && { fraction }),
      })),
    },
    struckOut: struckRows,
  }
}

/** The bag of a player of this academy; an empty one when there is no such player. */
export async function bagOfPlayer({ academyId }: { academyId: string }, playerId: string): Promise<Bag> {
  const [player] = await useDatabase()
    .select({ school: players.school })
    .from(players)
    .where(and(eq(players.id, playerId), eq(players.academyId, academyId)))
  return player ? bagOf(playerId, player.school) : { clubs: [], scale: { school: 'clock', rungs: [] }, struckOut: [] }
}

/**
 * Ids of what no longer stands in the bag: with anything that was hit, said, or waits, it is retired; without it
 * goes.
 */
async function sortOutMissing(
  db: Runner,
  table: typeof clubs | typeof rungs,
  shotColumn: typeof shots.clubId | typeof shots.rungId,
  playerId: string,
  kept: string[],
) {
  const there = await db.select({ id: table.id }).from(table).where(eq(table.playerId, playerId))
  const missing = there.map(row => row.id).filter(id => !kept.includes(id))
  if (missing.length === 0) return there.map(row => row.id)
  const used = await db
    .selectDistinct({ id: shotColumn })
    .from(shots)
    .where(and(eq(shots.playerId, playerId), inArray(shotColumn, missing)))
  // What was said of a stock shot is kept for ever too.
  const wordColumn = table === clubs ? cellRemarks.clubId : cellRemarks.rungId
  const said = await db
    .selectDistinct({ id: wordColumn })
    .from(cellRemarks)
    .where(and(eq(cellRemarks.playerId, playerId), inArray(wordColumn, missing)))
  // Balls that the player logged and that wait for the coach; what a device was aimed at, since its late balls go by
  // it.
  const ownColumn = table === clubs ? ownBalls.clubId : ownBalls.rungId
  const waits = await db
    .selectDistinct({ id: ownColumn })
    .from(ownBalls)
    .where(and(eq(ownBalls.playerId, playerId), inArray(ownColumn, missing)))
  const aimColumn = table === clubs ? deviceAims.clubId : deviceAims.rungId
  const aimed = await db
    .selectDistinct({ id: aimColumn })
    .from(deviceAims)
    .where(and(eq(deviceAims.playerId, playerId), inArray(aimColumn, missing)))
  // The player's phone logs balls by the chart that was published.
  const published = await newestPublished(playerId)
  const carried = (published?.cells ?? [])
    .map(cell => ({ id: table === clubs ? cell.clubId : cell.rungId }))
    .filter(({ id }) => missing.includes(id))
  const withShots = [...new Set([...used, ...said, ...waits, ...aimed, ...carried].map(row => row.id))].filter(
    id => id !== null,
  )
  const bare = missing.filter(id => !withShots.includes(id))
  if (withShots.length > 0)
    await db
      .update(table)
      .set({ retired: true, position: 999 })
      .where(and(eq(table.playerId, playerId), inArray(table.id, withShots)))
  if (bare.length > 0) await db.delete(table).where(and(eq(table.playerId, playerId), inArray(table.id, bare)))
  return there.map(row => row.id)
}

/**
 * Saves the whole bag, all or nothing. A club or swing length that has shots cannot vanish: left away, it is retired.
 * @throws 404, 409 with the newest bag when the version is not the newest, 409 when an id is another player's
 */
export async function saveBag(
  coach: Coach,
  playerId: string,
  change: BagChange,
): Promise<{ bag: Bag; bagVersion: number }> {
  try {
    return await transaction(async tx => {
      const [player] = await tx
        .select({ bagVersion: players.bagVersion, school: players.school, name: players.name })
        .from(players)
        .where(ownPlayer(coach, playerId))
        .for('update')
      if (!player) throw new NotFound('player')
      if (player.bagVersion !== change.version) {
        const current = { bag: await bagOf(playerId, player.school, tx), bagVersion: player.bagVersion }
        throw new Stale(
          'version',
          `The bag of ${player.name} was changed on another page while this one was open.`,
          current,
        )
      }
      await tx.delete(struckOut).where(eq(struckOut.playerId, playerId))
      const oldClubs = await sortOutMissing(
        tx,
        clubs,
        shots.clubId,
        playerId,
        change.clubs.map(c => c.id),
      )
      for (const [position, { id, ...club }] of change.clubs.entries()) {
        if (oldClubs.includes(id))
          await tx
            .update(clubs)
            .set({ ...club, position })
            .where(and(eq(clubs.id, id), eq(clubs.playerId, playerId)))
        else await tx.insert(clubs).values({ id, playerId, ...club, position })
      }
      const oldRungs = await sortOutMissing(
        tx,
        rungs,
        shots.rungId,
        playerId,
        change.scale.rungs.map(r => r.id),
      )
      for (const [position, { id, school, fraction, ...rest }] of change.scale.rungs.entries()) {
        const rung = { ...rest, school: school ?? null, fraction: fraction ?? null, position }
        if (oldRungs.includes(id))
          await tx
            .update(rungs)
            .set(rung)
            .where(and(eq(rungs.id, id), eq(rungs.playerId, playerId)))
        else await tx.insert(rungs).values({ id, playerId, ...rung })
      }
      if (change.struckOut.length > 0) {
        const cells = new Map(change.struckOut.map(cell => [`${cell.clubId}/${cell.rungId}`, { ...cell, playerId }]))
        await tx.insert(struckOut).values([...cells.values()])
      }
      const bagVersion = change.version + 1
      await tx.update(players).set({ school: change.scale.school, bagVersion }).where(ownPlayer(coach, playerId))
      return { bag: await bagOf(playerId, change.scale.school, tx), bagVersion }
    })
  } catch (error) {
    if (isDuplicate(error)) throw new Taken('clubs', 'An id of this bag is taken.')
    throw error
  }
}

const FAULTS: Record<StepFault, string> = {
  'name-taken': 'Another swing length has that name: each needs one of its own.',
  'no-such-rung': 'That swing length is no longer in the bag.',
  'no-such-club': 'That club is no longer in the bag.',
}
/** Somebody else may save the bag between reading and writing it. */
const STEP_TRIES = 5

/**
 * Makes one change of a bag, on top of whatever it is by now; made already, nothing happens.
 * @throws NotFound, Unfit where the bag of today has no place for it
 */
export async function takeBagStep(coach: Coach, playerId: string, step: BagStep): Promise<void> {
  for (let tries = 1; ; tries++) {
    const [player] = await useDatabase()
      .select({ bagVersion: players.bagVersion, school: players.school })
      .from(players)
      .where(ownPlayer(coach, playerId))
    if (!player) throw new NotFound('player')
    const bag = await bagOf(playerId, player.school)
    const after = bagAfter(bag, step)
    if ('fault' in after) throw new Unfit(FAULTS[after.fault])
    if (after === bag) return
    const change = BagChange.safeParse({ version: player.bagVersion, ...after })
    if (!change.success) throw new Unfit(change.error.issues[0]!.message)
    try {
      await saveBag(coach, playerId, change.data)
      return
    } catch (error) {
      if (!(error instanceof Stale) || tries === STEP_TRIES) throw error
    }
  }
}
