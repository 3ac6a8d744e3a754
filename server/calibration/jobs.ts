import { stringify } from 'devalue'
import { yardPicks, type YardPick } from '../../core/pick/sweep'
import { flyerCounts, flyerShare } from '../../core/gaps/flyer-count'
import { courseMishitShare } from '../../core/pick/course-mishits'
import { cellKey } from '../../core/bag/bag'
import { labelsOf } from '../../core/bag/labels'
import { calibrate, type Calibrated } from '../../core/calibration/calibrate'
import type { Calibration } from '../../core/calibration/calibration'
import { chartProgress } from '../../core/chart/chart-cell'
import { remarksAt } from '../../core/history/coach-remarks'
import { compareCharts, type Before, type Compared } from '../../core/history/compare'
import { lnVariances, publish, type PublishedChart, type PublishedWhich } from '../../core/history/published'
import { moment, writeChartFile } from '../../core/files/chart-file'
import { answered, openFlags } from '../../core/gaps/answers'
import { newMemo } from '../../core/memo'
import type { DistanceUnit } from '../../core/units'
import { calibrationOptions, newestMethod, playerShots } from '../../shared/calibration-input'
import { chartFileWords } from '../../words/chart-file'
import { changesText } from '../../words/changes'
import { stockShotName } from '../../words/stock-shot'
import type { PlayerSummary } from '../../shared/player'
import type { PracticeLeave } from '../../core/chart/practice-scatter'
import { practiceLeaves } from '../../shared/practice'
import { playedOf } from '../../shared/rounds'
import { askedDistances } from '../../core/rounds/approach'
import type { Review } from '../../words/review'
import { dayOf } from '../../core/shot/player-shots'
import type { PractisedRecord } from './practised-record'
import { reviewOf } from './review'
import type { PlayerRecord } from '../../shared/record'
import { fromColumns } from '../../shared/shot-columns'
import type { SessionRecord, ShotRecord } from '../../shared/schemas/session'

/**
 * The heavy work of the server: from a player's record to numbers. Pure, and plain data in and out, since it runs in a
 * thread of its own (`worker.ts`): one coach's thousands of shots hold nobody's balls.
 */

/** What this thread worked out before. */
const memo = newMemo()

/** What was practised and does not count for the chart. */
function practiceOf({ goes }: PractisedRecord, shots: readonly ShotRecord[]): PracticeLeave[] {
  return practiceLeaves(goes, new Set(shots.filter(shot => shot.leftOut === null).map(({ id }) => id)))
}

/** The same computation as in the coach's browser. @param byCarry also where the coach reads totals first */
function calibrateRecord(
  record: PractisedRecord,
  nowMs: number,
  { byCarry = false, unit }: { byCarry?: boolean; unit?: DistanceUnit } = {},
): Calibrated {
  const { player, bag, sessions, shots } = record
  const { totalOn: _, ...rest } = player.thresholds
  const balls = fromColumns(shots)
  const asked = askedDistances(playedOf(record.rounds))
  const beside = { ...record, practice: practiceOf(record, balls), asked, unit }
  return calibrate(
    playerShots(player, bag, sessions, balls, nowMs),
    calibrationOptions(byCarry ? rest : player.thresholds, newestMethod(sessions), beside),
    undefined,
    memo,
  )
}

/** @param begun sessions that had begun by then: how the newest of them measures is how the next balls will be */
function chartOf(
  { player, bag, sessions }: PlayerRecord,
  shots: readonly ShotRecord[],
  begun: readonly SessionRecord[],
  nowMs: number,
): Calibrated {
  return calibrate(
    playerShots(player, bag, sessions, shots, nowMs),
    calibrationOptions(player.thresholds, newestMethod(begun)),
    undefined,
    memo,
  )
}

/** A chart as it stood at the end of a moment: what was hit later is not known yet. */
function calibratedAt(record: PlayerRecord, atMs: number): Calibrated {
  return chartOf(
    record,
    fromColumns(record.shots).filter(shot => shot.hitAtMs <= atMs),
    record.sessions.filter(session => session.startedAtMs <= atMs),
    atMs,
  )
}

function beforeOf({ chart, grid }: Calibrated): Before[] {
  const variances = lnVariances(grid)
  return chart.map(({ clubId, rungId, carryM }) => ({
    clubId,
    rungId,
    carryM,
    lnVariance: variances.get(cellKey({ clubId, rungId })) ?? null,
  }))
}

const beforeOfPublished = ({ cells }: PublishedChart): Before[] =>
  cells.map(({ clubId, rungId, modelM, lnVariance }) => ({ clubId, rungId, carryM: modelM, lnVariance }))

/** JSON as bytes: they change threads without being copied, and lie outside of what is cleared up. */
const asBytes = (value: object) => new TextEncoder().encode(JSON.stringify(value))

/** Of a player's open flags so many stand in the list, those that matter most. */
const LISTED_FLAGS = 12

/** A day or a published chart that is held beside another. */
export type ChartSide = { atMs: number } | { published: PublishedChart }
const momentOfSide = (side: ChartSide) => ('published' in side ? side.published.publishedAtMs : side.atMs)

export interface Publication {
  nowMs: number
  unit: DistanceUnit
  note: string
  which: PublishedWhich
  earlier: PublishedChart | null
}

export const jobs = {
  /** The record as it goes over the wire. */
  record(record: PlayerRecord): Uint8Array {
    return asBytes(record)
  },

  /** The open chart file: the carry chart, ladder, flags and what to hit next; all of it by carry. */
  chartFile(record: PractisedRecord, nowMs: number, unit: DistanceUnit): Uint8Array {
    const names = labelsOf(record.bag)
    return asBytes(
      writeChartFile(
        moment(nowMs),
        calibrateRecord(record, nowMs, { byCarry: true }),
        names,
        chartFileWords(names, unit),
      ),
    )
  },

  /** All that the coach's page works out, as it would: read by the page of a device that has not done so yet. */
  numbers(record: PractisedRecord, nowMs: number, unit: DistanceUnit, by: string): Uint8Array {
    const { grid: _, player: __, ...numbers } = calibrateRecord(record, nowMs, { unit })
    return new TextEncoder().encode(stringify({ by, numbers }))
  },

  /** The carry chart as it stood at the end of a past moment. */
  chartAt(record: PlayerRecord, atMs: number): Pick<Calibration, 'chart' | 'air'> {
    const { chart, air } = calibratedAt(record, atMs)
    return { chart, air }
  },

  /** What the list of players tells of one. */
  summary(record: PractisedRecord, nowMs: number): Omit<PlayerSummary, 'stamp'> {
    const { chart, findings, ready, retestDueMs } = calibrateRecord(record, nowMs)
    const { cellsWithin, withinM, goodEnough } = ready
    const open = openFlags(answered(findings, record.answers, nowMs))
    const labels = labelsOf(record.bag)
    const listed = open.slice(0, LISTED_FLAGS)
    const names = Object.fromEntries(
      listed.flatMap(finding => finding.cells.map(cell => [cellKey(cell), labels(cell)])),
    )
    return {
      ...chartProgress(chart),
      cellsWithin,
      withinM,
      goodEnough,
      flags: open.length,
      open: listed,
      names,
      retestDueMs,
    }
  },

  /** The chart as it is published; null while no stock shot has a number. */
  publication(record: PractisedRecord, { nowMs, unit, note, which, earlier }: Publication): PublishedChart | null {
    // All of it: a tablet whose clock is ahead has hit its last balls in what is still to come here.
    const shots = fromColumns(record.shots)
    const calibrated = chartOf(record, shots, record.sessions, nowMs)
    const { totalOn, pick } = record.player.thresholds
    const mats = new Set(record.sessions.filter(session => session.surface === 'mat').map(session => session.id))
    const flyers = flyerShare(flyerCounts(calibrated.player, calibrated.grid))
    const head = {
      number: (earlier?.number ?? 0) + 1,
      publishedAtMs: nowMs,
      unit,
      note,
      mishitShare: courseMishitShare(calibrated, mats),
      ...(flyers !== null && { flyerShare: flyers }),
      ...(totalOn && { totalOn }),
      ...(pick && { pick }),
    }
    const bare = publish(
      calibrated,
      remarksAt(record.words, Infinity),
      { ...head, changed: '' },
      which,
      practiceOf(record, shots),
    )
    if (!bare.cells.some(cell => cell.carry)) return null
    const labels = labelsOf(record.bag)
    const named = (cell: { clubId: string; rungId: string }) => {
      const { club, swing } = labels(cell)
      return stockShotName(club, swing)
    }
    const compared = earlier ? compareCharts(calibrated, beforeOfPublished(earlier), earlier.publishedAtMs) : []
    return { ...bare, changed: changesText(earlier, { cells: bare.cells, compared }, unit, named) }
  },

  /** What to hit at every distance of a stretch, from a published chart; the record is asked for nothing. */
  yards(
    _record: PlayerRecord,
    { chart, unit, from, to }: { chart: PublishedChart; unit: DistanceUnit; from: number; to: number },
  ): YardPick[] {
    return yardPicks(chart, unit, from, to)
  },

  /** What moved between two days or published charts, by the balls between them. */
  comparison(
    record: PlayerRecord,
    from: ChartSide,
    to: ChartSide,
  ): { fromMs: number; toMs: number; compared: Compared[] } {
    const [fromMs, toMs] = [momentOfSide(from), momentOfSide(to)]
    const before = 'published' in from ? beforeOfPublished(from.published) : beforeOf(calibratedAt(record, fromMs))
    return { fromMs, toMs, compared: compareCharts(calibratedAt(record, toMs), before, fromMs) }
  },

  /** A player over a period, in words. A period that ends now ends with the chart as the coach's page has it. */
  review(
    record: PractisedRecord,
    { fromMs, toMs, nowMs, unit }: { fromMs: number; toMs: number; nowMs: number; unit: DistanceUnit },
  ): Review {
    const then = calibratedAt(record, fromMs)
    const now =
      dayOf(toMs) === dayOf(nowMs) ? calibrateRecord(record, toMs, { byCarry: true }) : calibratedAt(record, toMs)
    const compared = compareCharts(now, beforeOf(then), fromMs)
    return reviewOf(record, { fromMs, toMs, then, now, compared }, unit, memo)
  },
}

export type Jobs = typeof jobs
export type JobName = keyof Jobs
/** What a job is asked beside the record. */
export type JobArguments<J extends JobName> = Parameters<Jobs[J]> extends [unknown, ...infer Rest] ? Rest : never
