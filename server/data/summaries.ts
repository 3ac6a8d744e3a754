import { and, eq } from 'drizzle-orm'
import { calibrate } from '../../core/chart/calibrate'
import type { Calibration } from '../../core/chart/calibration'
import { chartProgress } from '../../core/chart/chart-cell'
import { cellKey } from '../../core/bag/bag'
import { labelsOf } from '../../core/bag/labels'
import { answered, openFlags } from '../../core/gaps/answers'
import { players } from '../db/schema'
import type { Coach } from './coaches'
import { playerRecord } from './records'
import { calibrationOptions, newestMethod, playerShots } from '../../shared/calibration-input'
import type { PlayerSummary } from '../../shared/player'
import { fromColumns, type PlayerRecord } from '../../shared/record'

/** The same computation as in the coach's browser. */
export function calibrateRecord(record: PlayerRecord, nowMs: number): Calibration {
  const { player, bag, sessions, shots } = record
  return calibrate(playerShots(player, bag, sessions, fromColumns(shots), nowMs), calibrationOptions(player.thresholds, newestMethod(sessions), record))
}

/** Of a player's open flags so many stand in the list, those that matter most. */
const LISTED_FLAGS = 12

function summaryOf(record: PlayerRecord, stamp: string, nowMs: number): PlayerSummary {
  const { chart, findings, ready, retestDueMs } = calibrateRecord(record, nowMs)
  const { cellsWithin, withinM, goodEnough } = ready
  const open = openFlags(answered(findings, record.answers, nowMs))
  const labels = labelsOf(record.bag)
  const listed = open.slice(0, LISTED_FLAGS)
  const names = Object.fromEntries(listed.flatMap(finding => finding.cells.map(cell => [cellKey(cell), labels(cell)])))
  return { stamp, ...chartProgress(chart), cellsWithin, withinM, goodEnough, flags: open.length, open: listed, names, retestDueMs }
}

/** Longest that a request for the list waits for summaries; the rest follow behind it. */
const PATIENCE_MS = 300

async function renew(coach: Coach, playerId: string, stamp: string): Promise<PlayerSummary> {
  const summary = summaryOf(await playerRecord(coach, playerId), stamp, Date.now())
  await useDatabase().update(players).set({ summary }).where(and(eq(players.id, playerId), eq(players.academyId, coach.academyId)))
  return summary
}

/** Players whose summary is being worked out, so that two requests do not both do it. */
const underWay = new Set<string>()

/**
 * Works out the summaries of these players one after the other, those not done in time behind the request.
 * @returns the ones that were ready in time, by player
 */
export async function renewSummaries(coach: Coach, stale: readonly { id: string, stamp: string }[]): Promise<Map<string, PlayerSummary>> {
  const ready = new Map<string, PlayerSummary>()
  const queue = stale.filter(({ id }) => !underWay.has(id))
  for (const { id } of queue) underWay.add(id)
  const work = (async () => {
    for (const { id, stamp } of queue) {
      try {
        ready.set(id, await renew(coach, id, stamp))
      } catch (error) {
        // The list stands without it and the next request tries again; the reason is for whoever reads the log.
        console.error(`summary of player ${id}:`, error)
      } finally {
        underWay.delete(id)
      }
    }
  })()
  await Promise.race([work, new Promise(resolve => setTimeout(resolve, PATIENCE_MS))])
  return new Map(ready)
}
