import { and, eq, inArray } from 'drizzle-orm'
import { deviceAims, sessions, shots } from '../db/schema'
import { bagOf } from './bags'
import type { Coach } from './coaches'
import { findPlayer } from './players'
import { sessionIsOwn } from './sessions'
import { labelsOf } from '../../core/bag/labels'
import type { Bag, StockShot } from '../../core/bag/bag'
import type { FieldError } from '../../shared/errors'
import { transaction } from '../db/database'
import { Unfit } from './faults'

/** The same stock shot in another player's bag: by the labels of club and swing length. */
function matched(from: Bag, to: Bag, cells: readonly StockShot[]): Map<string, StockShot> {
  const [names, theirs] = [labelsOf(from), labelsOf(to)]
  const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase()
  const errors: FieldError[] = []
  const found = new Map<string, StockShot>()
  for (const cell of cells) {
    const { club, swing } = names(cell)
    const clubId = to.clubs.find(other => same(theirs({ clubId: other.id, rungId: '' }).club, club))?.id
    const rungId = to.scale.rungs.find(other => same(theirs({ clubId: '', rungId: other.id }).swing, swing))?.id
    if (!clubId)
      errors.push({
        field: 'toPlayerId',
        message: `Club ${club} is not in the other player's bag: add it there first.`,
      })
    if (!rungId)
      errors.push({
        field: 'toPlayerId',
        message: `Swing length ${swing} is not on the other player's scale: add it there first.`,
      })
    if (clubId && rungId) found.set(`${cell.clubId} ${cell.rungId}`, { clubId, rungId })
  }
  if (errors.length > 0)
    throw new Unfit(errors[0]!.message, [...new Map(errors.map(error => [error.message, error])).values()])
  return found
}

/**
 * Gives a session with all its balls to another player, all or nothing. Moving it back undoes it.
 * @throws 404 when either player or the session is not the coach's, 422 naming what the other bag lacks
 */
export async function moveSession(
  coach: Coach,
  playerId: string,
  sessionId: string,
  toPlayerId: string,
): Promise<void> {
  const [from, to] = [await findPlayer(coach, playerId), await findPlayer(coach, toPlayerId)]
  await sessionIsOwn(coach, playerId, sessionId)
  const [bag, toBag] = await Promise.all([bagOf(playerId, from.school), bagOf(toPlayerId, to.school)])
  await transaction(async tx => {
    const rows = await tx
      .select({ id: shots.id, clubId: shots.clubId, rungId: shots.rungId, taken: shots.taken })
      .from(shots)
      .where(and(eq(shots.sessionId, sessionId), eq(shots.playerId, playerId)))
      .for('update')
    const cells = [...new Map(rows.map(row => [`${row.clubId} ${row.rungId}`, row])).values()]
    // What was asked for goes by its label too.
    const known = new Set(bag.scale.rungs.map(({ id }) => id))
    const asked = rows.flatMap(({ clubId, taken }) =>
      taken?.askedRungId && known.has(taken.askedRungId) ? [{ clubId, rungId: taken.askedRungId }] : [],
    )
    const place = matched(bag, toBag, [...cells, ...asked])
    await tx
      .update(sessions)
      .set({ playerId: toPlayerId })
      .where(and(eq(sessions.id, sessionId), eq(sessions.playerId, playerId)))
    // A device that was aimed at it would go on by the old player's clubs.
    await tx
      .update(deviceAims)
      .set({ playerId: null, sessionId: null, clubId: null, rungId: null })
      .where(eq(deviceAims.sessionId, sessionId))
    for (const cell of cells) {
      const ids = rows.filter(row => row.clubId === cell.clubId && row.rungId === cell.rungId).map(row => row.id)
      await tx
        .update(shots)
        .set({ playerId: toPlayerId, ...place.get(`${cell.clubId} ${cell.rungId}`)! })
        .where(and(inArray(shots.id, ids), eq(shots.playerId, playerId)))
    }
    for (const { id, clubId, taken } of rows) {
      // One that this player never had says nothing of the other's either.
      if (taken?.askedRungId)
        await tx
          .update(shots)
          .set({ taken: { ...taken, askedRungId: place.get(`${clubId} ${taken.askedRungId}`)?.rungId } })
          .where(and(eq(shots.id, id), eq(shots.playerId, toPlayerId)))
    }
  })
}
