import { and, asc, desc, eq } from 'drizzle-orm'
import type { ChartSide } from '../calibration/jobs'
import { workOut, type Asker } from '../calibration/pool'
import type { Compared } from '../../core/history/compare'
import type { PublishedChart } from '../../core/history/published'
import { publishedCharts, players } from '../db/schema'
import type { Coach } from './coaches'
import { newestPublished } from './newest-published'
import { findPlayer, ownPlayer } from './players'
import type { NewPublished } from '../../shared/schemas/published'
import type { PublishedLine } from '../../shared/published'
import { transaction, useDatabase } from '../db/database'
import { NotFound, Taken, Unfit } from './faults'

/** The published charts of a player, newest first. */
export async function publishedLines(coach: Coach, playerId: string): Promise<PublishedLine[]> {
  await findPlayer(coach, playerId)
  const rows = await useDatabase()
    .select({ body: publishedCharts.body })
    .from(publishedCharts)
    .where(eq(publishedCharts.playerId, playerId))
    .orderBy(desc(publishedCharts.number))
  return rows.map(({ body: { number, publishedAtMs, note, changed, cells } }) => ({
    number,
    publishedAtMs,
    note,
    changed,
    numbers: cells.filter(cell => cell.carry).length,
  }))
}

/** Every published chart of a player, oldest first. The caller has found the player. */
export async function publishedChartsOf(playerId: string): Promise<PublishedChart[]> {
  const rows = await useDatabase()
    .select({ body: publishedCharts.body })
    .from(publishedCharts)
    .where(eq(publishedCharts.playerId, playerId))
    .orderBy(asc(publishedCharts.number))
  return rows.map(({ body }) => body)
}

/** @throws 404 */
export async function findPublished(coach: Coach, playerId: string, number: number): Promise<PublishedChart> {
  await findPlayer(coach, playerId)
  const [row] = await useDatabase()
    .select({ body: publishedCharts.body })
    .from(publishedCharts)
    .where(and(eq(publishedCharts.playerId, playerId), eq(publishedCharts.number, number)))
  if (!row) throw new NotFound('published chart')
  return row.body
}

/** Publishing goes on so often when another screen publishes at the same time. */
const MOST_ROUNDS = 3

/**
 * Publishes the chart as it stands; sent twice it is there once.
 * @throws 404; 409 when the id is another's; 422 when there is no number to publish
 */
export async function publishChart(
  asker: Asker,
  playerId: string,
  { id, unit, note, which }: NewPublished,
): Promise<PublishedChart> {
  for (let round = 0; round < MOST_ROUNDS; round++) {
    await findPlayer(asker.coach, playerId)
    const earlier = await newestPublished(playerId)
    // Worked out before the transaction: a lock is held for a moment only.
    const body = await workOut(asker, playerId, 'publication', null, { nowMs: Date.now(), unit, note, which, earlier })
    if (!body)
      throw new Unfit('No stock shot has a number yet: hit a few balls, or write one.', [
        { field: 'chart', message: 'No stock shot has a number yet.' },
      ])
    const published = await putPublished(asker.coach, playerId, id, body)
    if (published) return published
  }
  throw new Taken('chart', "Another screen is publishing this player's chart: look at it and publish again.")
}

/** @returns null when another chart was published since this one was worked out */
async function putPublished(
  coach: Coach,
  playerId: string,
  id: string,
  body: PublishedChart,
): Promise<PublishedChart | null> {
  return transaction(async tx => {
    // One at a time for a player, so that no number is given twice.
    await tx.select({ id: players.id }).from(players).where(ownPlayer(coach, playerId)).for('update')
    const [there] = await tx
      .select({ playerId: publishedCharts.playerId, body: publishedCharts.body })
      .from(publishedCharts)
      .where(eq(publishedCharts.id, id))
    if (there?.playerId === playerId) return there.body
    if (there) throw new Taken()
    const [last] = await tx
      .select({ number: publishedCharts.number })
      .from(publishedCharts)
      .where(eq(publishedCharts.playerId, playerId))
      .orderBy(desc(publishedCharts.number))
      .limit(1)
    if ((last?.number ?? 0) + 1 !== body.number) return null
    await tx
      .insert(publishedCharts)
      .values({ id, playerId, coachId: coach.id, number: body.number, publishedAt: new Date(body.publishedAtMs), body })
    return body
  })
}

/** A day, or a published chart by its number. */
export type Side = { atMs: number } | { number: number }

/** What moved between two days or two published charts, by the balls between them. @throws 404 */
export async function compareDays(
  asker: Asker,
  playerId: string,
  from: Side,
  to: Side,
): Promise<{ fromMs: number; toMs: number; compared: Compared[] }> {
  await findPlayer(asker.coach, playerId)
  const sideOf = async (side: Side): Promise<ChartSide> =>
    'number' in side ? { published: await findPublished(asker.coach, playerId, side.number) } : side
  return workOut(asker, playerId, 'comparison', JSON.stringify([from, to]), await sideOf(from), await sideOf(to))
}
