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
import type { FieldError } from '../../shared/errors'
import { isDuplicate } from '../db/database-errors'
import { transaction, useDatabase, type Transaction } from '../db/database'
import type { Coach } from './coaches'
import { Taken, Unfit } from './faults'
import { newRow } from './players'
import { columnsOf as shotColumns } from './shots'
import { columnsOf as sessionColumns } from './sessions'

/** Rows that one statement puts in. */
const LOT = 500

/** Every ball and remark is of a club, a swing length and a session of the same file. @throws Unfit */
function checkWithin({ bag, sessions: held, shots: balls, remarks, published }: PlayerFile): void {
  const there = {
    clubId: new Set(bag.clubs.map(({ id }) => id)),
    rungId: new Set(bag.scale.rungs.map(({ id }) => id)),
    sessionId: new Set(held.map(({ id }) => id)),
  }
  const errors: FieldError[] = []
  const look = (field: string, of: Partial<Record<keyof typeof there, string>>) => {
    for (const [key, id] of Object.entries(of) as [keyof typeof there, string][])
      if (!there[key].has(id))
        errors.push({ field: `${field}.${key}`, message: `${field} names what is not in the file.` })
  }
  balls.forEach(({ clubId, rungId, sessionId }, i) => look(`shots.${i}`, { clubId, rungId, sessionId }))
  remarks.forEach(({ clubId, rungId }, i) => look(`remarks.${i}`, { clubId, rungId }))
  const numbers = published.map(({ number }) => number)
  if (new Set(numbers).size < numbers.length)
    errors.push({ field: 'published', message: 'Two published charts have the same number.' })
  if (errors.length > 0) throw new Unfit(errors[0]!.message, errors.slice(0, 20))
}

/** Whoever was erased here comes back as somebody new: a restored copy forgets the one who was erased, and no other. */
export async function namespaceFor(coach: Coach, playerId: string): Promise<string> {
  const [erased] = await useDatabase()
    .select({ id: erasures.playerId })
    .from(erasures)
    .where(and(eq(erasures.playerId, playerId), eq(erasures.academyId, coach.academyId)))
  return erased ? newId() : coach.academyId
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

/** What was hit, said, practised and played with it. */
async function putRest(tx: Transaction, own: { playerId: string; coachId: string }, file: PlayerFile): Promise<void> {
  const { playerId } = own
  const at = (ms: number) => new Date(ms)
  const now = new Date()
  const sessionRows = file.sessions.map(one => ({ id: one.id, ...own, ...sessionColumns(one) }))
  const shotRows = file.shots.map(one => ({
    id: one.id,
    playerId,
    ...shotColumns(one),
    deletedAt: one.deleted ? now : null,
  }))
  const remarkRows = file.remarks.map(({ saidAtMs, ...one }) => ({ ...one, ...own, saidAt: at(saidAtMs) }))
  const answerRows = file.answers.map(body => ({ id: body.id, ...own, saidAt: at(body.saidAtMs), body }))
  const goRows = file.goes.map(body => ({ ...own, ...idAndVersion(body), startedAt: at(body.startedAtMs), body }))
  const homeworkRows = file.homework.map(body => ({ id: body.id, ...own, body, withdrawn: body.withdrawn }))
  const roundRows = file.rounds.map(body => ({ ...own, ...idAndVersion(body), playedAt: at(body.playedAtMs), body }))
  const chartRows = file.published.map(body => ({
    id: newId(),
    ...own,
    number: body.number,
    publishedAt: at(body.publishedAtMs),
    body,
  }))
  await inLots(sessionRows, lot => tx.insert(sessions).values(lot))
  await inLots(shotRows, lot => tx.insert(shots).values(lot))
  await inLots(remarkRows, lot => tx.insert(cellRemarks).values(lot))
  await inLots(answerRows, lot => tx.insert(flagAnswers).values(lot))
  await inLots(file.whatIfs, lot => tx.insert(whatIfs).values(lot.map(one => ({ ...one, ...own }))))
  await inLots(goRows, lot => tx.insert(goes).values(lot))
  await inLots(homeworkRows, lot => tx.insert(homework).values(lot))
  await inLots(roundRows, lot => tx.insert(rounds).values(lot))
  await inLots(chartRows, lot => tx.insert(publishedCharts).values(lot))
}
const idAndVersion = ({ id, version }: { id: string; version: number }) => ({ id, version })

/**
 * Takes a player's whole record in, all or nothing; the player is the coach's.
 * @throws Taken when the same file was brought in before; Unfit when the file does not hang together
 */
export async function bringIn(coach: Coach, file: PlayerFile): Promise<BroughtIn> {
  checkWithin(file)
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
  return { id, name, balls: file.shots.reduce((sum, one) => sum + (one.deleted ? 0 : one.balls), 0) }
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
