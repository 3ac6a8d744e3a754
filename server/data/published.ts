import { and, desc, eq } from 'drizzle-orm'
import { calibrate, type Calibrated } from '../../core/chart/calibrate'
import { saidAt } from '../../core/chart/coach-word'
import { compareCharts, type Before, type Compared } from '../../core/chart/compare'
import { lnVariances, publish, type PublishedChart } from '../../core/chart/published'
import { cellKey } from '../../core/bag/bag'
import { labelsOf } from '../../core/bag/labels'
import { publishedCharts, players } from '../db/schema'
import type { Coach } from './coaches'
import { findPlayer, ownPlayer } from './players'
import { playerRecord } from './records'
import { calibrationOptions, newestMethod, playerShots } from '../../shared/calibration-input'
import { changedWords } from '../../shared/compare-words'
import { stockShotName } from '../../shared/flag-words'
import type { NewPublished, PublishedLine } from '../../shared/published'
import { fromColumns, type PlayerRecord } from '../../shared/record'
import type { SessionRecord, ShotRecord } from '../../shared/session'

/** A chart as it stood at the end of a moment: what was hit later is not known yet. */
export function chartAt(record: PlayerRecord, atMs: number): Calibrated {
  return chartOf(record, fromColumns(record.shots).filter(shot => shot.hitAtMs <= atMs), record.sessions.filter(session => session.startedAtMs <= atMs), atMs)
}

/** @param begun sessions that had begun by then: how the newest of them measures is how the next balls will be */
function chartOf({ player, bag, sessions }: PlayerRecord, shots: readonly ShotRecord[], begun: readonly SessionRecord[], nowMs: number): Calibrated {
  return calibrate(playerShots(player, bag, sessions, shots, nowMs), calibrationOptions(player.thresholds, newestMethod(begun)))
}

export function beforeOf({ chart, grid }: Calibrated): Before[] {
  const variances = lnVariances(grid)
  return chart.map(({ clubId, rungId, carryM }) => ({ clubId, rungId, carryM, lnVariance: variances.get(cellKey({ clubId, rungId })) ?? null }))
}

const beforeOfPublished = ({ cells }: PublishedChart): Before[] => cells.map(({ clubId, rungId, modelM, lnVariance }) => ({ clubId, rungId, carryM: modelM, lnVariance }))

/** The published charts of a player, newest first. */
export async function publishedLines(coach: Coach, playerId: string): Promise<PublishedLine[]> {
  await findPlayer(coach, playerId)
  const rows = await useDatabase().select({ body: publishedCharts.body }).from(publishedCharts).where(eq(publishedCharts.playerId, playerId)).orderBy(desc(publishedCharts.number))
  return rows.map(({ body: { number, publishedAtMs, note, changed, cells } }) => ({ number, publishedAtMs, note, changed, numbers: cells.filter(cell => cell.carry).length }))
}

/** @throws 404 */
export async function findPublished(coach: Coach, playerId: string, number: number): Promise<PublishedChart> {
  await findPlayer(coach, playerId)
  const [row] = await useDatabase().select({ body: publishedCharts.body }).from(publishedCharts).where(and(eq(publishedCharts.playerId, playerId), eq(publishedCharts.number, number)))
  if (!row) throw notFound('published chart')
  return row.body
}

/**
 * Publishes the chart as it stands; sent twice it is there once.
 * @throws 404; 409 when the id is another's; 422 when there is no number to publish
 */
export async function publishChart(coach: Coach, playerId: string, { id, unit, note }: NewPublished): Promise<PublishedChart> {
  const record = await playerRecord(coach, playerId)
  const nowMs = Date.now()
  // All of it: a tablet whose clock is ahead has hit its last balls in what is still to come here.
  const calibrated = chartOf(record, fromColumns(record.shots), record.sessions, nowMs)
  const labels = labelsOf(record.bag)
  const named = (cell: { clubId: string, rungId: string }) => {
    const { club, swing } = labels(cell)
    return stockShotName(club, swing)
  }
  return useDatabase().transaction(async (tx) => {
    // One at a time for a player, so that no number is given twice.
    await tx.select({ id: players.id }).from(players).where(ownPlayer(coach, playerId)).for('update')
    const [there] = await tx.select({ playerId: publishedCharts.playerId, body: publishedCharts.body }).from(publishedCharts).where(eq(publishedCharts.id, id))
    if (there?.playerId === playerId) return there.body
    if (there) throw refuse(409, 'This id is taken.', [{ field: 'id', message: 'This id is taken.' }])
    const [last] = await tx.select({ body: publishedCharts.body }).from(publishedCharts).where(eq(publishedCharts.playerId, playerId)).orderBy(desc(publishedCharts.number)).limit(1)
    const earlier = last?.body ?? null
    const head = { number: (earlier?.number ?? 0) + 1, publishedAtMs: nowMs, unit, note, ...(record.player.thresholds.totalOn && { totalOn: record.player.thresholds.totalOn }) }
    const bare = publish(calibrated, saidAt(record.words, Infinity), { ...head, changed: '' })
    if (!bare.cells.some(cell => cell.carry)) throw refuse(422, 'No stock shot has a number yet: hit a few balls, or write one.', [{ field: 'chart', message: 'No stock shot has a number yet.' }])
    const compared = earlier ? compareCharts(calibrated, beforeOfPublished(earlier), earlier.publishedAtMs) : []
    const body: PublishedChart = { ...bare, changed: changedWords(earlier, bare.cells, compared, unit, named) }
    await tx.insert(publishedCharts).values({ id, playerId, coachId: coach.id, number: body.number, publishedAt: new Date(nowMs), body })
    return body
  })
}

/** A day, or a published chart by its number. */
export type Side = { atMs: number } | { number: number }

/** What moved between two days or two published charts, by the balls between them. @throws 404 */
export async function compareDays(coach: Coach, playerId: string, from: Side, to: Side): Promise<{ fromMs: number, toMs: number, compared: Compared[] }> {
  const record = await playerRecord(coach, playerId)
  const published = async (side: Side) => 'number' in side ? findPublished(coach, playerId, side.number) : null
  const [earlier, later] = await Promise.all([published(from), published(to)])
  const fromMs = earlier?.publishedAtMs ?? (from as { atMs: number }).atMs
  const toMs = later?.publishedAtMs ?? (to as { atMs: number }).atMs
  const before = earlier ? beforeOfPublished(earlier) : beforeOf(chartAt(record, fromMs))
  return { fromMs, toMs, compared: compareCharts(chartAt(record, toMs), before, fromMs) }
}
