import { cellKey } from '../bag/bag'
import { exp } from '../stats/exact'
import { askAbout } from './ask-about'
import { asStockShots, plusWorth, withoutCalledPlus } from './called-plus'
import { carrySums } from './carry-sum'
import { ownBallsHelp } from './own-balls-help'
import { nextBalls, type NextBalls } from './beyond-balls'
import { askedShare, needOf } from '../rounds/need'
import type { Finding } from '../gaps/flag'
import { remarksAt, writtenNumbers } from '../history/coach-remarks'
import { newMemo, type Memo } from '../memo'
import { findFlags } from '../gaps/flags'
import { oneFactOneFlag } from '../gaps/one-fact'
import { chartCover } from '../gaps/cover'
import { gapFacts } from '../gaps/facts'
import { stillOpen } from '../gaps/still-open'
import { unprovenOf } from '../gaps/unproven'
import { measuringErrorM } from '../shot/measuring'
import { BALLS_AT_ONCE, USUAL_OPTIONS, type Calibration, type CalibrationOptions, type Ready } from './calibration'
import { asRead } from '../chart/as-read'
import { asTotal, runsOf } from '../chart/as-total'
import { carryChart } from '../chart/carry-chart'
import { chartProgress, type CarryChart } from '../chart/chart-cell'
import type { Change } from '../model/belief'
import { NEXT } from '../model/constants'
import { FAULT_OF_LOOK, launchLooks } from '../questions/launch-looks'
import { changeDays, fitGrid, type GridFit, type Kept } from '../chart/grid-fit'
import { dayOf, type NeutralPlayer, type PlayerShots } from '../shot/player-shots'
import { onLevel } from '../corrections/level'
import {
  ballsToGo,
  cellsWithin,
  daysToRetest,
  hitNextFew,
  isEnough,
  retestBalls,
  type NextOptions,
} from '../model/next-shot'
import { asMeasured, inNeutralAir } from '../corrections/neutral-air'
import { inTime } from '../shot/by-cell'
import { withoutCalledOut } from '../corrections/called-out'
import { asPitched } from '../corrections/pitched'
import { atCalledSpeed } from '../corrections/called-speed'
import { asHit, asPlayBall } from '../corrections/range-ball'
import { setAsideOf, withoutOddCarries } from '../corrections/set-aside'

/** Stock shots named ahead. */
const SHOTS_AHEAD = 3

const DAY_MS = 86_400_000
/** The method's error is asked at this carry where it depends on carry: the middle of the grid. */
const MIDDLE_CARRY_M = 70

/** A flag with how often rounds ask for where it stands. */
function withAsked(finding: Finding, distances: readonly number[]): Finding {
  const asked = askedShare(distances, finding.fromM, finding.toM)
  return asked === null ? finding : { ...finding, asked }
}

/** When the numbers are due to be tested again, why, and with which balls. */
function retestOf(
  player: NeutralPlayer,
  { fit, need, cells, lastDay }: GridFit,
  rule: NextOptions,
  withinM: number,
): Pick<Calibrated, 'retestDueMs' | 'retest'> {
  if (lastDay === null) return { retestDueMs: null, retest: null }
  const today = dayOf(player.nowMs)
  const changed = changeDays(player)
    .filter(({ day }) => day > lastDay && day <= today)
    .reduce<Change | null>((first, one) => (first && first.day <= one.day ? first : one), null)
  const dueDay = changed ? changed.day : lastDay + daysToRetest(fit, need, withinM, today - lastDay)
  const { balls, enough } = retestBalls(fit, rule, withinM, Math.max(0, dueDay - today))
  return {
    retestDueMs: DAY_MS * dueDay,
    retest: {
      why: changed ? changed.kind : 'time',
      enough,
      balls: balls.map(one => ({ ...cells[one.cell]!, balls: one.balls, others: one.others.map(i => cells[i]!) })),
    },
  }
}

/** About how many more balls, and of the ball one plays where range balls never make it. */
function forecast(
  { fit }: GridFit,
  ahead: NextBalls,
  rule: NextOptions,
  withinM: number,
): Pick<Ready, 'ballsToGo' | 'ownBallsToGo'> {
  const most = (balls: number) => (balls === NEXT.mostBallsForecast ? null : balls)
  const toGo = most(ballsToGo(ahead.fit, { ...rule, left: ahead.left }, withinM))
  if (!ahead.left || toGo !== null) return { ballsToGo: toGo }
  return { ballsToGo: null, ownBallsToGo: most(ballsToGo(fit, rule, withinM)) }
}

/** What a measured record becomes before it is fitted. */
interface Counted {
  player: NeutralPlayer
  grid: GridFit
  looks: ReturnType<typeof launchLooks>
  told: Pick<Calibrated, 'air' | 'corrections' | 'rangeBalls' | 'speedCalls' | 'plus' | 'ownBallsHelp' | 'sums'>
}

/** From what was measured to stock shots of the ball one plays in neutral air, and the fit of them. */
function counted(
  measured: PlayerShots,
  { neutralAir }: CalibrationOptions,
  kept: Kept | undefined,
  memo: Memo,
): Counted {
  const pitched = asPitched({ ...measured, shots: withoutCalledOut(measured.shots) }, memo)
  const level = neutralAir ? onLevel(pitched, memo) : null
  const { corrections, ...inAir } = level ? inNeutralAir(level.record, memo) : asMeasured(pitched)
  const looks = launchLooks(measured.bag, inAir.shots, memo)
  if (looks.size > 0)
    inAir.shots = inAir.shots.map(shot =>
      looks.has(shot.id) ? { ...shot, suspect: FAULT_OF_LOOK[looks.get(shot.id)!.look] } : shot,
    )
  const { calls, ...swung } = atCalledSpeed(measured.bag, inAir.shots)
  const asSwung = { ...inAir, ...swung }
  const { sessions, shots, rangeBalls } = neutralAir ? asPlayBall(asSwung) : asHit(asSwung)
  // Sums of doubles depend on their order, so the order is always the same, however the shots came.
  const all: NeutralPlayer = { ...measured, sessions, shots: inTime(withoutOddCarries(shots)) }
  const asStock: NeutralPlayer = { ...all, shots: withoutCalledPlus(all.shots) }
  const before = fitGrid(asStock, kept)
  const plus = plusWorth(all.shots, before)
  const player = plus ? { ...all, shots: asStockShots(all.shots, plus) } : asStock
  const allCorrections = [...corrections, ...(level?.corrections ?? [])]
  const sums = carrySums(
    measured.shots,
    [
      { part: 'run', shots: pitched.shots },
      ...(level ? [{ part: 'height' as const, shots: level.record.shots }] : []),
      { part: 'air', shots: inAir.shots },
      { part: 'speed', shots: swung.shots },
      { part: 'ball', shots },
      { part: 'plus', shots: player.shots },
    ],
    player.shots,
  )
  const air = allCorrections.length > 0 || rangeBalls ? 'neutral' : 'as measured'
  return {
    player,
    grid: plus ? fitGrid(player) : before,
    looks,
    told: {
      air,
      corrections: allCorrections,
      rangeBalls,
      speedCalls: calls,
      plus,
      ownBallsHelp: ownBallsHelp(player, rangeBalls),
      sums,
    },
  }
}

interface Read {
  /** By the balls alone. */
  byBalls: { chart: CarryChart; grid: GridFit }
  /** With what the coach wrote. */
  written: { chart: CarryChart; grid: GridFit }
  /** As the player reads it: a carry, or a total. */
  read: { chart: CarryChart; grid: GridFit }
  runs: ReturnType<typeof runsOf> | null
}

/** The chart as the balls tell it, as the coach wrote it, and as it is read. */
function readings({ player, grid }: Counted, options: CalibrationOptions, memo: Memo): Read {
  const byBalls = { chart: carryChart(player.bag, player.shots, grid), grid }
  const written = asRead(byBalls.chart, grid, writtenNumbers(remarksAt(options.words ?? [], player.nowMs)))
  const byCarry = options.asBalls ? byBalls : written
  const runs = options.totalOn ? runsOf(byCarry.chart, player.bag, options.totalOn, memo) : null
  return { byBalls, written, read: runs ? asTotal(byCarry, runs) : byCarry, runs }
}

/** What is hit next, and what it is asked by. */
function hitNext(grid: GridFit, ahead: NextBalls, wanted: NextOptions, asked: readonly number[]): Calibration['next'] {
  return hitNextFew(ahead.fit, { ...wanted, left: ahead.left }, SHOTS_AHEAD).map(({ cell, gainM, others }) => {
    const carryM = exp(grid.fit.mean[cell]!)
    const share = askedShare(asked, carryM, carryM)
    return {
      ...grid.cells[cell]!,
      balls: BALLS_AT_ONCE,
      gainM,
      others: others.map(i => grid.cells[i]!),
      ...(share !== null && { asked: share }),
    }
  })
}

/** The rule by which balls are asked for: what the coach has written is closed, what rounds ask for weighs more. */
function wantedBy(rule: NextOptions, grid: GridFit, written: CarryChart, asked: readonly number[]): NextOptions {
  const closed = new Set(written.filter(cell => cell.written).map(cellKey))
  const needs = needOf(
    asked,
    grid.cells.map((_, row) => exp(grid.fit.mean[row]!)),
  )
  const isClosed = (row: number) => closed.has(cellKey(grid.cells[row]!))
  return { ...rule, need: grid.need.map((need, row) => (isClosed(row) ? 0 : need) * needs[row]!) }
}

/** How well the chart is known, and how much more it takes. */
function readiness({ grid, chart }: Read['byBalls'], ahead: NextBalls, rule: NextOptions, withinM: number): Ready {
  const known = cellsWithin(grid.fit, grid.need, withinM)
  return {
    withinM,
    cellsWithin: known.within,
    cellsInUse: known.inUse,
    goodEnough: isStarted(chart) && isEnough(known),
    ...(known.inUse === 0 ? { ballsToGo: 0 } : forecast(grid, ahead, rule, withinM)),
  }
}

const isStarted = (chart: CarryChart) => chartProgress(chart).hit > 0

/** With what it was made from: the fit, and the player's shots as they went into it. */
export type Calibrated = Calibration & { grid: GridFit; player: NeutralPlayer }

/**
 * From a player's shots to the carry chart, the ladder, the flags, what to hit next and how ready it is.
 * Pure: the same record, options and day give the same result, to the byte, in whatever order the shots come.
 * @param kept earlier sessions folded by `foldEarlier`, for one more ball in a live session
 */
export function calibrate(
  measured: PlayerShots,
  options: CalibrationOptions = USUAL_OPTIONS,
  kept?: Kept,
  memo: Memo = newMemo(),
): Calibrated {
  const count = counted(measured, options, kept, memo)
  const { player, grid, looks, told } = count
  const { byBalls, written, read, runs } = readings(count, options, memo)
  const { withinM } = options
  const rule: NextOptions = {
    measSdM: measuringErrorM(options.method, MIDDLE_CARRY_M),
    balls: BALLS_AT_ONCE,
    need: grid.need,
  }
  const ahead = nextBalls(grid, player, told.rangeBalls)
  const ready = readiness(byBalls, ahead, rule, withinM)
  const cover = { measuredOnly: options.measuredOnly, aimedStraight: options.aimedStraight }
  const facts = gapFacts({
    player,
    ...read,
    byBalls,
    ...(runs && { runs }),
    withinM,
    goodEnough: ready.goodEnough,
    cover,
    words: options.words,
    published: options.published,
    practice: options.practice,
    memo,
  })
  const asked = options.asked ?? []
  const findings = oneFactOneFlag(findFlags(facts, options.flags)).map(finding => withAsked(finding, asked))
  const byNeed = options.alikeNeed ? [] : asked
  const wanted = wantedBy(rule, grid, written.chart, byNeed)
  return {
    grid,
    player,
    ...told,
    chart: byBalls.chart,
    written: written.chart.filter(cell => cell.written),
    totals: runs ? read.chart : [],
    ladder: facts.ladder,
    findings,
    cover: options.unit === 'm' ? chartCover(read.chart, read.grid, facts.sides, { ...cover, unit: 'm' }) : facts.cover,
    unproven: unprovenOf(facts, options.flags, ahead.leftSdOf),
    stillOpen: stillOpen(findings, facts, read.grid, options.flags, rule.measSdM),
    next: hitNext(grid, ahead, wanted, byNeed),
    ready,
    ...(isStarted(byBalls.chart) ? retestOf(player, grid, wanted, withinM) : { retestDueMs: null, retest: null }),
    questions: askAbout(player, grid, byBalls.chart, looks),
    setAside: setAsideOf(measured.shots, player.shots),
  }
}
