import { cellKey, type StockShot } from '../core/bag/bag'
import type { Calibration } from '../core/calibration/calibration'
import type { Compared } from '../core/history/compare'
import type { DrillSpec } from '../core/practice/drill-spec'
import type { DrillHistory } from '../core/practice/history'
import type { DrillScore } from '../core/practice/score'
import { askedDistances, type Played } from '../core/rounds/approach'
import { mostAsked } from '../core/rounds/asks'
import { courseShift } from '../core/rounds/cost'
import type { FlagsOverTime, NextThing } from '../core/review/review'
import { distanceText, distanceWithUnit, type DistanceUnit } from '../core/units'
import { shortDayText } from './dates'
import { REVIEW } from './en/review'
import { flagText, type StockShotNames } from './flags'
import { write } from './message'
import { nextText } from './next'
import { drillTexts, historyLines, scoreText, type PracticeNames } from './practice'
import { retestDueText } from './retest'
import { asksLines, shiftText, workText } from './rounds'

/** One number then and now, as it is read. */
export interface ReviewRow {
  name: string
  then: string
  now: string
  /** What can be said of it; '' for nothing. */
  said: string
  moved: boolean
}

/** A player over a period, in words: the screen and the page that is handed over draw the same. */
export interface Review {
  player: string
  unit: 'yd' | 'm'
  fromMs: number
  toMs: number
  numbers: { lead: string; rows: ReviewRow[] }
  flags: { title: string; lines: string[] }[]
  practice: string[]
  rounds: string[]
  next: { title: string; why: string }[]
}

/** Goes that can be held against one another, as the review tells of them. */
export interface PractisedSeries {
  name: string
  spec: DrillSpec
  goes: number
  balls: number
  first: DrillScore
  last: DrillScore
  history: DrillHistory
}

/** Numbers as they were read on a day, by stock shot: metres, and whether the coach wrote it. */
export type ReadNumbers = ReadonlyMap<string, { carryM: number; written: boolean }>

/** Numbers as they are read, then and now, longest first, and in a sentence what can be said of them. */
export function reviewNumbers(
  compared: readonly Compared[],
  read: { then: ReadNumbers; now: ReadNumbers },
  nameOf: (cell: StockShot) => string,
  unit: DistanceUnit,
): Review['numbers'] {
  const figure = (metres: number | undefined) => (metres === undefined ? '–' : distanceText(metres, unit))
  const rows = compared
    .flatMap(one => {
      const now = read.now.get(cellKey(one))
      return now ? [{ one, now, then: read.then.get(cellKey(one)) }] : []
    })
    .sort((a, b) => b.now.carryM - a.now.carryM || (cellKey(a.one) < cellKey(b.one) ? -1 : 1))
    .map(({ one, now, then }): ReviewRow => {
      const moved = one.moved && then !== undefined && !now.written
      const sure = one.certain ? REVIEW.certain : REVIEW.likely
      const asBalls = then ? sure : REVIEW.fresh
      const said = now.written ? REVIEW.written : asBalls
      return {
        name: nameOf(one),
        then: figure(then?.carryM),
        now: figure(now.carryM),
        said: moved || now.written || !then ? write(said) : '',
        moved,
      }
    })
  const hit = compared.filter(({ balls }) => balls > 0)
  const balls = hit.reduce((sum, one) => sum + one.balls, 0)
  if (balls === 0) return { lead: write(REVIEW.noBalls), rows }
  const count = write(REVIEW.balls, { balls, shots: hit.length })
  const moved = rows.filter(row => row.moved).length
  const isFirst = read.then.size === 0
  const what = isFirst ? write(REVIEW.first) : moved > 0 ? write(REVIEW.moved, { n: moved }) : write(REVIEW.notMoved)
  return { lead: `${count} ${what}`, rows }
}

/** Flags that opened, closed, and are still open; those that were closed by where they stood. */
export function reviewFlags(
  { opened, closed, stillOpen }: FlagsOverTime,
  names: StockShotNames,
  unit: DistanceUnit,
): Review['flags'] {
  const open = (finding: FlagsOverTime['opened'][number]) => {
    const { title, why } = flagText(finding, names, unit)
    return write(REVIEW.flag, { title, why })
  }
  const gone = (finding: FlagsOverTime['closed'][number]) => {
    const { title } = flagText(finding, names, unit)
    const [from, to] = [distanceText(finding.fromM, unit), distanceWithUnit(finding.toM, unit)]
    const isPoint = distanceWithUnit(finding.fromM, unit) === to
    return write(isPoint ? REVIEW.closedAt : REVIEW.closedFlag, { title, from: isPoint ? to : from, to })
  }
  const all = [
    { title: write(REVIEW.opened), lines: opened.map(open) },
    { title: write(REVIEW.closed), lines: closed.map(gone) },
    { title: write(REVIEW.stillOpen), lines: stillOpen.map(open) },
  ].filter(({ lines }) => lines.length > 0)
  return all.length > 0 ? all : [{ title: '', lines: [write(REVIEW.noFlags)] }]
}

/** What was practised, drill by drill. */
export function reviewPractice(series: readonly PractisedSeries[], names: PracticeNames): string[] {
  if (series.length === 0) return [write(REVIEW.noPractice)]
  return series.map(({ name, spec, goes, balls, first, last, history }) => {
    const score = (one: DrillScore) => scoreText(spec, one, names)
    const scores =
      goes === 1
        ? write(REVIEW.oneScore, { last: score(last) })
        : write(REVIEW.scores, { first: score(first), last: score(last) })
    const line = write(REVIEW.practice, { name: name || drillTexts(spec.drill).title, goes, balls, scores })
    return [line, historyLines(spec, history, names)[0]].filter(Boolean).join(' ')
  })
}

/** What rounds asked for, and whether the course plays as the range does. */
export function reviewRounds(rounds: readonly Played[], unit: DistanceUnit): string[] {
  const distances = askedDistances(rounds)
  if (distances.length === 0) return [write(REVIEW.noRounds)]
  const shift = courseShift(rounds)
  return [
    ...asksLines(distances.length, rounds.length, Math.max(...distances), mostAsked(rounds, unit), unit),
    ...(shift ? [shiftText(shift, unit)] : []),
  ]
}

/** The next things to do, each with its reason. */
export function reviewNext(
  things: readonly NextThing[],
  { retest, retestDueMs }: Pick<Calibration, 'retest' | 'retestDueMs'>,
  names: StockShotNames,
  unit: DistanceUnit,
): Review['next'] {
  if (things.length === 0) return [{ title: write(REVIEW.nothing), why: '' }]
  return things.map(thing => {
    switch (thing.kind) {
      case 'retest': {
        const balls = retest!.balls.reduce((sum, one) => sum + one.balls, 0)
        const why = retestDueText(retest!, shortDayText(retestDueMs!), thing.isLate)
        return { title: write(REVIEW.retest, { balls }), why }
      }
      case 'work': {
        const { why, worth } = workText(thing.work, unit)
        return { title: write(REVIEW.work, { shot: names.cell(thing.work) }), why: `${why} ${worth}` }
      }
      case 'flag': {
        const { title, why, remedies } = flagText(thing.finding, names, unit)
        return { title, why: [why, remedies[0]].filter(Boolean).join(' ') }
      }
      case 'hit': {
        const { next } = thing
        const title = write(REVIEW.hit, { shot: names.cell(next), balls: next.balls })
        return { title, why: nextText(next, names.cell) }
      }
    }
  })
}
