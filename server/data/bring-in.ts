import { and, count, eq } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import {
  academies,
  cellRemarks,
  clubs,
  drills,
  erasures,
  flagAnswers,
  goes,
  homework,
  players,
  publishedCharts,
  ranges,
  rounds,
  rungs,
  sessions,
  shots,
  struckOut,
  whatIfs,
} from '../db/schema'
import type { AcademyFile, PlayerFile } from '../../shared/schemas/player-file'
import type { BroughtIn } from '../../shared/player-file'
import { isDuplicate } from '../db/database-errors'
import { transaction, useDatabase, type Transaction } from '../db/database'
import type { Coach } from './coaches'
import { Taken } from './faults'
import { newRow } from './players'
import { LOT, lotOf, type ReadRecord } from './record-lots'
import { columnsOf as shotColumns } from './shot-row'
import { columnsOf as sessionColumns } from './sessions'

/** Who was erased here, of those a file may be of: they come back as somebody new, and no other. */
export async function erasedOf(coach: Coach): Promise<string[]> {
  const rows = await useDatabase()
    .select({ id: erasures.playerId })
    .from(erasures)
    .where(eq(erasures.academyId, coach.academyId))
  return rows.map(({ id }) => id)
}

async function inLots<T>(rows: readonly T[], put: (lot: T[]) => Promise<unknown>): Promise<void> {
  for (let from = 0; from < rows.length; from += LOT) await put(rows.slice(from, from + LOT))
}

/** The bag; the player is there already. */
async function putBag(tx: Transaction, playerId: string, { clubs: held, scale, struckOut: off }: PlayerFile['bag']) {
  const clubRows = held.map((club, position) => ({ ...club, playerId, position }))
  const rungRows = scale.rungs.map(({ school, fraction, ...rung }, position) => ({
    ...rung,
    school: school ?? null,
    fraction: fraction ?? null,
    playerId,
    position,
  }))
  const offRows = off.map(cell => ({ ...cell, playerId }))
  await inLots(clubRows, lot => tx.insert(clubs).values(lot))
  await inLots(rungRows, lot => tx.insert(rungs).values(lot))
  await inLots(offRows, lot => tx.insert(struckOut).values(lot))
}

const at = (ms: number) => new Date(ms)

/** What was hit, said, practised and played with it, lot by lot: others' balls are answered between two. */
async function putRest(
  tx: Transaction,
  own: { playerId: string; coachId: string },
  { lots }: ReadRecord,
): Promise<void> {
  const { playerId } = own
  const now = new Date()
  async function put<K extends keyof ReadRecord['lots']>(name: K, insert: (list: PlayerFile[K]) => Promise<unknown>) {
    for (const json of lots[name]) await insert(lotOf(name, json))
  }
  await put('sessions', list =>
    tx.insert(sessions).values(list.map(one => ({ id: one.id, ...own, ...sessionColumns(one) }))),
  )
  await put('shots', list =>
    tx
      .insert(shots)
      .values(list.map(one => ({ id: one.id, playerId, ...shotColumns(one), deletedAt: one.deleted ? now : null }))),
  )
  await put('remarks', list =>
    tx.insert(cellRemarks).values(list.map(({ saidAtMs, ...one }) => ({ ...one, ...own, saidAt: at(saidAtMs) }))),
  )
  await put('answers', list =>
    tx.insert(flagAnswers).values(list.map(body => ({ id: body.id, ...own, saidAt: at(body.saidAtMs), body }))),
  )
  await put('whatIfs', list => tx.insert(whatIfs).values(list.map(one => ({ ...one, ...own }))))
  await put('goes', list =>
    tx
      .insert(goes)
      .values(list.map(body => ({ ...own, ...idAndVersion(body), startedAt: at(body.startedAtMs), body }))),
  )
  await put('homework', list =>
    tx.insert(homework).values(list.map(body => ({ id: body.id, ...own, body, withdrawn: body.withdrawn }))),
  )
  await put('rounds', list =>
    tx
      .insert(rounds)
      .values(list.map(body => ({ ...own, ...idAndVersion(body), playedAt: at(body.playedAtMs), body }))),
  )
  await put('published', list =>
    tx
      .insert(publishedCharts)
      .values(
        list.map(body => ({ id: newId(), ...own, number: body.number, publishedAt: at(body.publishedAtMs), body })),
      ),
  )
}
const idAndVersion = ({ id, version }: { id: string; version: number }) => ({ id, version })

/**
 * Takes a player's whole record in, all or nothing; the player is the coach's.
 * @throws Taken when the same file was brought in before
 */
export async function bringIn(coach: Coach, file: ReadRecord): Promise<BroughtIn> {
  const { id, name, thresholds } = file.player
  const [there] = await useDatabase()
    .select({ name: players.name, archivedAt: players.archivedAt })
    .from(players)
    .where(and(eq(players.id, id), eq(players.academyId, coach.academyId)))
  if (there)
    throw new Taken(
      'player',
      `${there.name} is here already${there.archivedAt ? ', in the archive' : ''}: this record was brought in before.`,
    )
  const own = { playerId: id, coachId: coach.id }
  try {
    await transaction(async tx => {
      await tx.insert(players).values({ ...newRow(coach, file.player, thresholds), school: file.bag.scale.school })
      await putBag(tx, id, file.bag)
      await putRest(tx, own, file)
    })
  } catch (error) {
    if (!isDuplicate(error)) throw error
    throw new Taken('player', `Part of ${name}'s record is here already, under somebody else.`)
  }
  return { id, name, balls: file.balls }
}

/**
 * Takes in what an academy has beside its players; what is here already stays as it is. Its figures hold where this
 * academy has no player yet: nobody's verdicts change.
 */
export async function bringInAcademy(coach: Coach, file: AcademyFile): Promise<{ ranges: number; drills: number }> {
  const { academyId } = coach
  return transaction(async tx => {
    const [known, kept] = await Promise.all([
      tx.select({ id: ranges.id }).from(ranges).where(eq(ranges.academyId, academyId)),
      tx.select({ id: drills.id }).from(drills).where(eq(drills.academyId, academyId)),
    ])
    const fresh = <T extends { id: string }>(list: readonly T[], there: readonly { id: string }[]) =>
      list.filter(({ id }) => !there.some(other => other.id === id))
    const [newRanges, newDrills] = [fresh(file.ranges, known), fresh(file.drills, kept)]
    await inLots(newRanges, lot => tx.insert(ranges).values(lot.map(one => ({ ...one, academyId }))))
    await inLots(newDrills, lot => tx.insert(drills).values(lot.map(one => ({ ...one, academyId }))))
    const [row] = await tx.select({ n: count() }).from(players).where(eq(players.academyId, academyId))
    if (row!.n === 0) await tx.update(academies).set({ thresholds: file.thresholds }).where(eq(academies.id, academyId))
    return { ranges: newRanges.length, drills: newDrills.length }
  })
}
