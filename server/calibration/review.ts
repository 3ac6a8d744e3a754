import { cellKey } from '../../core/bag/bag'
import { labelsOf } from '../../core/bag/labels'
import type { Calibrated } from '../../core/calibration/calibrate'
import { readChart } from '../../core/calibration/calibration'
import { openFlags, answered } from '../../core/gaps/answers'
import { raisedFlags } from '../../core/gaps/flag'
import type { Compared } from '../../core/history/compare'
import type { Memo } from '../../core/memo'
import { flagsOverTime, nextThings } from '../../core/review/review'
import { workFor } from '../../core/rounds/work'
import type { DistanceUnit } from '../../core/units'
import { ballsOfGo } from '../../shared/practice'
import { goSeries } from '../../shared/practice-series'
import { playedOf } from '../../shared/rounds'
import { drillTexts } from '../../words/practice'
import {
  reviewFlags,
  reviewNext,
  reviewNumbers,
  reviewPractice,
  reviewRounds,
  type ReadNumbers,
  type Review,
} from '../../words/review'
import { stockShotName } from '../../words/stock-shot'
import type { PractisedRecord } from './practised-record'

/** A period and the charts at its two ends. */
export interface ReviewSides {
  fromMs: number
  toMs: number
  then: Calibrated
  now: Calibrated
  compared: readonly Compared[]
}

/** Numbers of a chart that were measured or written, as they are read. */
function numbersOf(calibrated: Calibrated, asBalls: boolean): ReadNumbers {
  const chart = asBalls ? calibrated.chart : readChart(calibrated)
  return new Map(
    chart.flatMap(cell =>
      cell.carryM !== null && (cell.kind === 'measured' || cell.written)
        ? [[cellKey(cell), { carryM: cell.carryM, written: cell.written === true }] as const]
        : [],
    ),
  )
}

/** A player over a period, in words. */
export function reviewOf(
  record: PractisedRecord,
  { fromMs, toMs, then, now, compared }: ReviewSides,
  unit: DistanceUnit,
  memo: Memo,
): Review {
  const { player, bag, answers, goes, rounds } = record
  const labels = labelsOf(bag)
  const clubs = new Map(bag.clubs.map(({ id, label }) => [id, label]))
  const club = (id: string) => clubs.get(id) ?? ''
  const cell = (at: { clubId: string; rungId: string }) => {
    const { club: label, swing } = labels(at)
    return stockShotName(label, swing)
  }
  const names = { cell, club: ({ clubId }: { clubId: string }) => club(clubId) }
  const asBalls = player.thresholds.asBalls === true
  const within = (ms: number) => ms > fromMs && ms <= toMs
  const played = playedOf(rounds.filter(({ playedAtMs }) => within(playedAtMs)))
  const ownName = (go: (typeof goes)[number]) => (go.name === drillTexts(go.spec.drill).title ? '' : go.name)
  const done = goes.filter(({ startedAtMs }) => within(startedAtMs))
  const series = goSeries(done, ownName, memo).map(({ goes: own, history }) => ({
    name: own[0]!.go.name,
    spec: own[0]!.go.spec,
    goes: own.length,
    balls: own.reduce((sum, { go }) => sum + ballsOfGo(go).length, 0),
    first: own[0]!.score,
    last: own.at(-1)!.score,
    history,
  }))
  const open = openFlags(answered(raisedFlags(now.findings), answers, toMs))
  const things = nextThings({
    retestDueMs: now.retestDueMs,
    nowMs: toMs,
    work: workFor(played, player.level, memo),
    open,
    next: now.next,
    goodEnough: now.ready.goodEnough,
  })
  return {
    player: player.name,
    unit,
    fromMs,
    toMs,
    numbers: reviewNumbers(compared, { then: numbersOf(then, asBalls), now: numbersOf(now, asBalls) }, cell, unit),
    flags: reviewFlags(flagsOverTime({ ...then, nowMs: fromMs }, { ...now, nowMs: toMs }, answers), names, unit),
    practice: reviewPractice(series, { unit, shot: cell, club }),
    rounds: reviewRounds(played, unit),
    next: reviewNext(things, now, names, unit),
  }
}
