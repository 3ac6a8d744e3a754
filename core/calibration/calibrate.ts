import { cellKey } from '../bag/bag'
import { exp } from '../stats/exact'
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
import {
  BALLS_AT_ONCE,
  USUAL_OPTIONS,
  type Calibration,
  type CalibrationOptions,
  type Question,
  type Ready,
} from './calibration'
import { asRead } from '../chart/as-read'
import { asTotal, runsOf } from '../chart/as-total'
import { carryChart } from '../chart/carry-chart'
import { chartProgress, type CarryChart } from '../chart/chart-cell'
import type { Change } from '../model/belief'
import { NEXT } from '../model/constants'
import { Z_80 } from '../stats/normal'
import { FAULT_OF_LOOK, launchLooks, type LaunchLook } from '../questions/launch-looks'
import { insteadOf, otherUnitRun } from '../questions/instead'
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
import { questionsOf } from '../questions/odd-balls'
import { asMeasured, inNeutralAir } from '../corrections/neutral-air'
import { groupByCell, inTime } from '../shot/by-cell'
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

function askAbout(
  { shots }: NeutralPlayer,
  grid: GridFit,
  chart: CarryChart,
  looks: ReadonlyMap<string, LaunchLook>,
): Calibration['questions'] {
  const groups = groupByCell(shots.filter(shot => shot.leftOut === null))
  return chart.flatMap(cell => {
    if (cell.carryM === null || cell.balls === 0) return []
    const balls = inTime(groups.get(cellKey(cell)) ?? [])
      .filter(shot => grid.verdicts.has(shot.id))
      .map(shot => ({
        shot: shot.id,
        carryM: shot.carryM,
        verdict: grid.verdicts.get(shot.id)!,
        settled: shot.strike !== null,
        device: shot.readings?.ballSpeedMs !== undefined,
      }))
    const byCarry = questionsOf(
      balls.filter(ball => !looks.has(ball.shot)),
      cell.carryM,
    ).map((one): Question => (one.changed ? one : { ...one, ...insteadOf(one.carryM, cell, chart) }))
    const byLaunch = balls
      .filter(ball => looks.has(ball.shot) && !ball.settled)
      .map((ball): Question => {
        const launch = looks.get(ball.shot)!
        return {
          shot: ball.shot,
          carryM: ball.carryM,
          fault: FAULT_OF_LOOK[launch.look],
          offM: ball.carryM - cell.carryM!,
          clean: ball.verdict.clean,
          changed: false,
          launch,
        }
      })
    // A device with a launch beside it does not mistake its unit.
    const read = balls.filter(ball => !ball.settled && !ball.device)
    const run =
      cell.window80M &&
      otherUnitRun(
        read.map(ball => ball.carryM),
        (cell.window80M[1] - cell.window80M[0]) / (2 * Z_80 * cell.carryM),
      )
    const inRun = run ? read.slice(-run.balls) : []
    const byUnit = inRun.map((ball): Question => ({
      shot: ball.shot,
      carryM: ball.carryM,
      fault: 'misread',
      offM: ball.carryM - cell.carryM!,
      clean: ball.verdict.clean,
      changed: true,
      otherUnit: run!.times,
    }))
    const others = [...byCarry, ...byLaunch].filter(question => !inRun.some(ball => ball.shot === question.shot))
    return [...others, ...byUnit].map(question => ({ clubId: cell.clubId, rungId: cell.rungId, ...question }))
  })
}

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
  const counted = { ...measured, shots: withoutCalledOut(measured.shots) }
  const pitched = asPitched(counted, memo)
  const level = options.neutralAir ? onLevel(pitched, memo) : null
  const { corrections, ...inAir } = level ? inNeutralAir(level.record, memo) : asMeasured(pitched)
  const looks = launchLooks(measured.bag, inAir.shots, memo)
  if (looks.size > 0)
    inAir.shots = inAir.shots.map(shot =>
      looks.has(shot.id) ? { ...shot, suspect: FAULT_OF_LOOK[looks.get(shot.id)!.look] } : shot,
    )
  const { calls, ...swung } = atCalledSpeed(measured.bag, inAir.shots)
  const asSwung = { ...inAir, ...swung }
  const { sessions, shots, rangeBalls } = options.neutralAir ? asPlayBall(asSwung) : asHit(asSwung)
  // Sums of doubles depend on their order, so the order is always the same, however the shots came.
  const all: NeutralPlayer = { ...measured, sessions, shots: inTime(withoutOddCarries(shots)) }
  const asStock: NeutralPlayer = { ...all, shots: withoutCalledPlus(all.shots) }
  const before = fitGrid(asStock, kept)
  const plus = plusWorth(all.shots, before)
  const player = plus ? { ...all, shots: asStockShots(all.shots, plus) } : asStock
  const grid = plus ? fitGrid(player) : before
  const chart = carryChart(player.bag, player.shots, grid)
  const known = cellsWithin(grid.fit, grid.need, options.withinM)
  const anyBall = chartProgress(chart).hit > 0
  const goodEnough = anyBall && isEnough(known)
  const cover = { measuredOnly: options.measuredOnly, aimedStraight: options.aimedStraight }
  const written = asRead(chart, grid, writtenNumbers(remarksAt(options.words ?? [], player.nowMs)))
  const byCarry = options.asBalls ? { chart, grid } : written
  const runs = options.totalOn && runsOf(byCarry.chart, player.bag, options.totalOn, memo)
  const read = runs ? asTotal(byCarry, runs) : byCarry
  const facts = gapFacts({
    player,
    ...read,
    byBalls: { chart, grid },
    ...(runs && { runs }),
    withinM: options.withinM,
    goodEnough,
    cover,
    words: options.words,
    published: options.published,
    practice: options.practice,
    memo,
  })
  const asked = options.asked ?? []
  const findings = oneFactOneFlag(findFlags(facts, options.flags)).map(finding => withAsked(finding, asked))
  const rule: NextOptions = {
    measSdM: measuringErrorM(options.method, MIDDLE_CARRY_M),
    balls: BALLS_AT_ONCE,
    need: grid.need,
  }
  // What the coach has written is closed: its doubt asks for no balls.
  const closed = new Set(written.chart.filter(cell => cell.written).map(cellKey))
  const open = { ...rule, need: grid.need.map((need, row) => (closed.has(cellKey(grid.cells[row]!)) ? 0 : need)) }
  const byNeed = options.alikeNeed ? [] : asked
  const needs = needOf(
    byNeed,
    grid.cells.map((_, row) => exp(grid.fit.mean[row]!)),
  )
  const wanted = { ...open, need: open.need.map((need, row) => need * needs[row]!) }
  const allCorrections = [...corrections, ...(level?.corrections ?? [])]
  const ahead = nextBalls(grid, player, rangeBalls)
  return {
    grid,
    player,
    air: allCorrections.length > 0 || rangeBalls ? 'neutral' : 'as measured',
    corrections: allCorrections,
    rangeBalls,
    speedCalls: calls,
    plus,
    ownBallsHelp: ownBallsHelp(player, rangeBalls),
    sums: carrySums(
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
    ),
    chart,
    written: written.chart.filter(cell => cell.written),
    totals: runs ? read.chart : [],
    ladder: facts.ladder,
    findings,
    cover: options.unit === 'm' ? chartCover(read.chart, read.grid, facts.sides, { ...cover, unit: 'm' }) : facts.cover,
    unproven: unprovenOf(facts, options.flags, ahead.leftSdOf),
    stillOpen: stillOpen(findings, facts, read.grid, options.flags, rule.measSdM),
    next: hitNextFew(ahead.fit, { ...wanted, left: ahead.left }, SHOTS_AHEAD).map(({ cell, gainM, others }) => {
      const carryM = exp(grid.fit.mean[cell]!)
      const share = askedShare(byNeed, carryM, carryM)
      return {
        ...grid.cells[cell]!,
        balls: BALLS_AT_ONCE,
        gainM,
        others: others.map(i => grid.cells[i]!),
        ...(share !== null && { asked: share }),
      }
    }),
    ready: {
      withinM: options.withinM,
      cellsWithin: known.within,
      cellsInUse: known.inUse,
      goodEnough,
      ...(known.inUse === 0 ? { ballsToGo: 0 } : forecast(grid, ahead, rule, options.withinM)),
    },
    ...(anyBall ? retestOf(player, grid, wanted, options.withinM) : { retestDueMs: null, retest: null }),
    questions: askAbout(player, grid, chart, looks),
    setAside: setAsideOf(measured.shots, player.shots),
  }
}
