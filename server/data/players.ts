import { and, eq, isNull } from 'drizzle-orm'
import { coaches, players } from '../db/schema'
import type { Coach } from './coaches'
import { PlayerFields, type NewPlayer, type PlayerChange, type Thresholds } from '../../shared/schemas/player'
import type { Player } from '../../shared/player'
import { isDuplicate } from '../db/database-errors'
import { useDatabase } from '../db/database'
import { mayDo } from '../../shared/rights'
import { NotFound, Stale, Taken, Unfit } from './faults'

const FIELDS = Object.keys(PlayerFields.shape) as (keyof typeof PlayerFields.shape)[]

function picked<T, K extends keyof T>(from: T, keys: readonly K[]): Pick<T, K> {
  return Object.fromEntries(keys.map(key => [key, from[key]])) as Pick<T, K>
}

/** Columns of a player, for a select. A field of a player without a column of its name does not compile. */
export const playerColumns = {
  ...picked(players, FIELDS),
  id: players.id,
  thresholds: players.thresholds,
  archivedAt: players.archivedAt,
  version: players.version,
  school: players.school,
  bagVersion: players.bagVersion,
  coachId: players.coachId,
}

/** The condition that keeps one academy's players from another. */
export function ownPlayer(coach: Coach, playerId: string) {
  return and(eq(players.id, playerId), seenPlayers(coach))
}

/** Of the academy, and, where its owner chose so, this coach's own. */
export function seenPlayers(coach: Coach) {
  const ofAcademy = eq(players.academyId, coach.academyId)
  return coach.seesAll ? ofAcademy : and(ofAcademy, eq(players.coachId, coach.id))
}

type Row = Player & { archivedAt: Date | null }

export function toPlayer({ archivedAt, ...row }: Omit<Row, 'archived'>): Player {
  const { id, thresholds, version, coachId } = row
  return { id, ...picked(row, FIELDS), hand: row.hand, thresholds, archived: archivedAt !== null, version, coachId }
}

/** @throws 404 for an id that is not there or another academy's */
export async function findPlayer(coach: Coach, playerId: string) {
  const [row] = await useDatabase().select(playerColumns).from(players).where(ownPlayer(coach, playerId))
  if (!row) throw new NotFound('player')
  return { player: toPlayer(row), school: row.school, bagVersion: row.bagVersion }
}

/** A new player's row: of this coach. */
export const newRow = (coach: Coach, player: NewPlayer, thresholds: Thresholds = {}): typeof players.$inferInsert => ({
  ...picked(player, FIELDS),
  id: player.id,
  hand: player.hand ?? 'right',
  academyId: coach.academyId,
  coachId: coach.id,
  thresholds,
})

/** Sent twice, it is there once. @throws 409 when the id is another player's */
export async function createPlayer(coach: Coach, player: NewPlayer): Promise<Player> {
  try {
    await useDatabase().insert(players).values(newRow(coach, player))
  } catch (error) {
    if (!isDuplicate(error)) throw error
    const [mine] = await useDatabase().select(playerColumns).from(players).where(ownPlayer(coach, player.id))
    if (!mine) throw new Taken()
  }
  return (await findPlayer(coach, player.id)).player
}

/** Only somebody who works in this academy, and teaches there, has players. @throws 422 */
async function mayHave(coach: Coach, coachId: string): Promise<void> {
  const [person] = await useDatabase()
    .select({ role: coaches.role })
    .from(coaches)
    .where(and(eq(coaches.id, coachId), eq(coaches.academyId, coach.academyId), isNull(coaches.leftAt)))
  if (!person || !mayDo(person.role, 'teach'))
    throw new Unfit('There is no such coach in this academy.', [
      { field: 'coachId', message: 'There is no such coach in this academy.' },
    ])
}

/** @throws 404, or 409 with the newest state when the version is not the newest */
export async function changePlayer(
  coach: Coach,
  playerId: string,
  { version, archived, ...fields }: PlayerChange,
): Promise<Player> {
  if (fields.coachId) await mayHave(coach, fields.coachId)
  const archivedAt = archived === undefined ? {} : { archivedAt: archived ? new Date() : null }
  const [done] = await useDatabase()
    .update(players)
    .set({ ...fields, ...archivedAt, version: version + 1 })
    .where(and(ownPlayer(coach, playerId), eq(players.version, version)))
  // Handed to a colleague, it may be out of this coach's sight: who hands it over still sees what was done.
  const { player } = await findPlayer({ ...coach, seesAll: coach.seesAll || done.affectedRows > 0 }, playerId)
  if (done.affectedRows === 0)
    throw new Stale('version', `${player.name} was changed on another page while this one was open.`, player)
  return player
}
