import type { DrillScore, ShotScore } from '../core/practice/score'
import type { DrillHistory } from '../core/practice/history'
import type { JudgedBall } from '../core/practice/judge'
import type { DrillSpec, DrillTask } from '../core/practice/drill-spec'
import { curveWay, shapeName, type CurveWay, type Hand, type NaturalShape } from '../core/shot/hand'
import { withinOf, speedCostM } from '../core/practice/judge'
import { running } from '../core/practice/next-task'
import type { PlanBlock } from '../core/practice/plan'
import type { Level } from '../core/level'
import type { Memo } from '../core/memo'
import type { StockShot } from '../core/bag/bag'
import type { LeaveAt } from '../core/practice/leaves-at'
import { distanceText, distanceWithUnit, toWind, yardsToMetres, type DistanceUnit, type SpeedUnit } from '../core/units'
import { DRILL_WORDS, PLAYERS_OF_LEVEL, PRACTICE, type DrillWords } from './en/practice'
import { listed, sentence, write } from './message'
import { speedText, usualSpeedUnit } from './readings'

const words: Record<string, DrillWords> = DRILL_WORDS

/** A drill's words. @throws RangeError for an id that has none */
export function drillTexts(id: string): DrillWords {
  const found = words[id]
  if (!found) throw new RangeError(`drill "${id}" has no words`)
  return found
}

/** What to write a go's figures in, and how stock shots are called. */
export interface PracticeNames {
  unit: DistanceUnit
  speedUnit?: SpeedUnit
  /** The hand that curves are called by; missing is the right one. */
  hand?: Hand
  shot: (shot: StockShot) => string
  club: (clubId: string) => string
}

/** The names that a go is told with: curves are called by the hand it was played with. */
export const namesOfGo = ({ hand = 'right' }: Pick<DrillSpec, 'hand'>, names: PracticeNames): PracticeNames => ({
  ...names,
  hand,
})

const shapeWord = (way: CurveWay, hand: Hand | undefined): string => write(PRACTICE[shapeName(way, hand ?? 'right')])

/** The big figure or word of a task: "72", "69 mph", "Draw", a club's name. */
export function taskHead(task: DrillTask, { unit, speedUnit, club, hand }: PracticeNames): string {
  if (task.targetM !== undefined) return distanceText(task.targetM, unit)
  if (task.speedMs !== undefined) return speedText(task.speedMs, unit, speedUnit)
  if (task.curve) return sentence(shapeWord(task.curve, hand))
  if (task.clubId) return club(task.clubId)
  return write(task.flight === 'low' ? PRACTICE.lowRunner : PRACTICE.anyShot)
}

/** What else is asked with it: the stock shot, the flight, which way a curve turns; '' where nothing is. */
export function taskMore(task: DrillTask, { shot, club }: PracticeNames): string {
  const { clubId, rungId, flight, targetM, curve } = task
  if (curve && curve !== 'straight') return write(PRACTICE.turns, { way: curve })
  const asked = clubId && rungId ? shot({ clubId, rungId }) : clubId && targetM !== undefined ? club(clubId) : ''
  const way = flight && targetM !== undefined ? write(PRACTICE[flight]) : ''
  return [asked, way].filter(Boolean).join(', ')
}

const offText = (offM: number, unit: DistanceUnit, below: string, above: string, on: string) =>
  distanceText(Math.abs(offM), unit) === '0'
    ? write(on)
    : write(offM < 0 ? below : above, { off: distanceText(Math.abs(offM), unit) })

/** "far left, a draw"; "straight". */
function turnText(curve: number, hand: Hand | undefined): string {
  const way = curveWay(curve)
  const shape = shapeWord(way, hand)
  return way === 'straight' ? shape : write(PRACTICE.turned, { way, shape, far: Math.abs(curve) > 1 ? 'yes' : 'no' })
}

/** What a ball did beside what was asked: parts of a sentence. */
function didParts(one: JudgedBall, spec: DrillSpec, { unit, speedUnit, hand }: PracticeNames): string[] {
  const { ball, offM, sideM, speedOffMs } = one
  const parts: string[] = []
  if (spec.measure === 'speed') {
    if (speedOffMs === null) return parts
    const off = speedText(Math.abs(speedOffMs), unit, speedUnit)
    const isOn = Number.parseFloat(off) === 0
    const cost = distanceWithUnit(speedCostM(speedOffMs), unit)
    return [isOn ? write(PRACTICE.onSpeed) : write(speedOffMs < 0 ? PRACTICE.slow : PRACTICE.fast, { off, cost })]
  }
  if (spec.measure === 'curve')
    return ball.curve === undefined ? [] : [write(PRACTICE.curved, { turn: turnText(ball.curve, hand) })]
  if (spec.measure === 'launch' && ball.launchDeg !== undefined)
    parts.push(write(PRACTICE.launched, { deg: ball.launchDeg.toFixed(0) }))
  if (offM !== null) parts.push(offText(offM, unit, PRACTICE.short, PRACTICE.long, PRACTICE.on))
  if (sideM !== null && spec.measure !== 'length')
    parts.push(offText(sideM, unit, PRACTICE.left, PRACTICE.right, PRACTICE.onLine))
  return parts
}

/** How it is judged: points, in or out, called right; '' where that cannot be told. */
function judgedText(one: JudgedBall, spec: DrillSpec): string {
  const { ball, good, points, wild, restStrokes } = one
  if (ball.apart) return write(ball.apart === 'flyer' ? PRACTICE.flyer : PRACTICE.notTheShot)
  if (spec.score === 'points') return write(wild ? PRACTICE.wild : PRACTICE.points, { n: points })
  if (spec.measure === 'call' && good !== null)
    return good ? write(PRACTICE.calledRight) : write(PRACTICE.calledWrong, { call: ball.call! })
  if (spec.score === 'strokes' && restStrokes !== null) return restStrokes > 2 ? write(PRACTICE.overPar) : ''
  if (good === null || spec.measure === 'speed') return ''
  if (one.task.circleM !== undefined) return write(good ? PRACTICE.inIt : PRACTICE.out)
  return write(good ? PRACTICE.good : PRACTICE.notGood)
}

/** "3 short, 1 right: one point." */
export function ballText(one: JudgedBall, spec: DrillSpec, names: PracticeNames): string {
  const did = didParts(one, spec, namesOfGo(spec, names)).join(', ')
  const how = judgedText(one, spec)
  return `${sentence([did, how].filter(Boolean).join(': '))}.`
}

const signedStrokes = (value: number) => `${value < -0.005 ? '−' : '+'}${Math.abs(value).toFixed(2)}`

/** One figure of a score, a ball or a go: "+0.12 strokes a ball", "3 yd off on average". */
export function valueText(spec: DrillSpec, value: number, { unit, speedUnit }: PracticeNames): string {
  if (spec.score === 'strokes') return write(PRACTICE.strokes, { value: signedStrokes(value) })
  if (spec.score === 'points') return write(PRACTICE.points, { n: Number(value.toFixed(1)) })
  if (spec.score === 'share') return `${Math.round(100 * value)} %`
  if (spec.score === 'balls') return write(PRACTICE.ballsNeeded, { n: Math.round(value) })
  const speeds = speedUnit ?? usualSpeedUnit(unit)
  const off =
    spec.measure === 'speed' ? `${toWind(value, speeds).toFixed(1)} ${speeds}` : distanceWithUnit(value, unit, 1)
  return write(PRACTICE.error, { off })
}

/** A go's score as it is read. */
export function scoreText(spec: DrillSpec, score: DrillScore, names: PracticeNames): string {
  const { value, most, good, values } = score
  if (value === null) return write(PRACTICE.nothing)
  if (spec.score === 'points') return write(PRACTICE.pointsOf, { n: String(value), most: String(most) })
  if (spec.score === 'share') return write(PRACTICE.share, { good: String(good), balls: String(values.length) })
  if (spec.score === 'balls' && score.next !== null)
    return write(PRACTICE.running, { n: String(running(score.judged)) })
  if (spec.score === 'balls' && value > score.judged.length)
    return write(PRACTICE.notYet, { n: String(score.judged.length) })
  return valueText(spec, value, names)
}

/** One stock shot of a go: whose bad ball ends nearer is read off these. */
function shotLine({ clubId, rungId, balls, meanLeaveM, bestLeaveM, worstLeaveM }: ShotScore, names: PracticeNames) {
  const { unit } = names
  return write(PRACTICE.shot, {
    shot: names.shot({ clubId, rungId }),
    n: balls,
    mean: distanceWithUnit(meanLeaveM, unit, 1),
    best: distanceText(bestLeaveM, unit),
    worst: distanceText(worstLeaveM, unit),
  })
}

/** How ordinary balls turn, in a sentence; '' where nobody read it. */
export function naturalText(natural: NaturalShape | null | undefined, hand: Hand): string {
  if (!natural) return ''
  const { left, straight, right } = natural
  const [draw, fade] = hand === 'right' ? [left, right] : [right, left]
  const figures = { draw: String(draw), fade: String(fade), straight: String(straight) }
  return write(PRACTICE.natural, { ...figures, n: String(left + straight + right) })
}

/** What was asked and how often it came, beside what comes without asking. */
function curveLines({ tasks, natural }: DrillSpec, score: DrillScore, names: PracticeNames): string[] {
  const asked = score.tasks
    .filter(({ balls }) => balls > 0)
    .map(({ task, good, balls }) =>
      write(PRACTICE.asked, { what: taskHead(tasks[task]!, names), good: String(good), balls: String(balls) }),
    )
  return [...asked, naturalText(natural, names.hand ?? 'right')].filter(Boolean)
}

/** What stands beside a go's score, sentence by sentence. */
export function scoreLines(spec: DrillSpec, score: DrillScore, names: PracticeNames, memo: Memo): string[] {
  const { unit } = names
  const lines: string[] = []
  const ended = score.judged.filter(({ leaveM }) => leaveM !== null)
  if (score.meanLeaveM !== null)
    lines.push(write(PRACTICE.leave, { n: ended.length, mean: distanceWithUnit(score.meanLeaveM, unit, 1) }))
  const told = score.judged.filter(({ good }) => good !== null)
  const [first] = spec.tasks
  if (told.length > 0 && spec.tasks.length === 1 && first && Number.isFinite(withinOf(spec, first, memo)))
    lines.push(
      write(PRACTICE.within, {
        good: String(score.good),
        n: String(told.length),
        within: distanceWithUnit(withinOf(spec, first, memo), unit),
      }),
    )
  if (ended.length > 0 && spec.measure === 'leave') {
    if (score.sideSeen === 0) lines.push(write(PRACTICE.lengthOnly))
    else if (score.sideSeen < 1)
      lines.push(write(PRACTICE.someSides, { share: String(Math.round(100 * score.sideSeen)) }))
  }
  if (spec.measure === 'curve') lines.push(...curveLines(spec, score, namesOfGo(spec, names)))
  if (score.shots.length > 1) lines.push(...score.shots.map(one => shotLine(one, names)))
  if (score.overPar > 0 && spec.score === 'strokes') lines.push(write(PRACTICE.parCost, { n: score.overPar }))
  if (score.apart.length > 0) lines.push(write(PRACTICE.apart, { n: score.apart.length }))
  return lines
}

/** "A good player usually: +0.02 strokes a ball." */
export function levelText(spec: DrillSpec, level: Level, value: number, names: PracticeNames): string {
  if (level === 'unknown') return ''
  const isSum = spec.score === 'points'
  // A go of so many running is told by its share of good ones.
  const score = valueText(spec.score === 'balls' ? { ...spec, score: 'share' } : spec, value, names)
  return write(PRACTICE.level, { player: PLAYERS_OF_LEVEL[level], score: isSum ? `${score} a ball` : score })
}

/** Whether it has changed, as sure as it can be said; with the band of chance where there is one. */
export function historyLines(spec: DrillSpec, history: DrillHistory, names: PracticeNames): string[] {
  const { change, band, goes } = history
  const value = (one: number) => valueText(spec, one, names)
  if (goes < 2) return []
  const lines = [
    write(change === 'better' ? PRACTICE.better : change === 'worse' ? PRACTICE.worse : PRACTICE.nothingSure),
  ]
  if (band && spec.score !== 'points' && spec.score !== 'balls')
    lines.push(write(PRACTICE.band, { least: value(band.least), most: value(band.most) }))
  return lines
}

/** Why a block is in the plan. */
export function reasonText({ reason }: Pick<PlanBlock, 'reason'>, { unit, shot }: PracticeNames): string {
  const at = 'atM' in reason ? distanceWithUnit(reason.atM, unit) : ''
  if (reason.kind === 'flag') return write(PRACTICE.flag, { at })
  if (reason.kind === 'needed') return write(PRACTICE.needed, { at, share: String(Math.round(100 * reason.share)) })
  if (reason.kind === 'loose') return write(PRACTICE.loose, { shot: shot(reason.shot), times: reason.times.toFixed(1) })
  if (reason.kind === 'least liked') return write(PRACTICE.leastLiked, { at })
  if (reason.kind === 'least practised')
    return reason.days === null
      ? write(PRACTICE.neverHit, { shot: shot(reason.shot) })
      : write(PRACTICE.longAgo, { shot: shot(reason.shot), days: String(Math.round(reason.days)) })
  if (reason.kind === 'two near') return write(PRACTICE.twoNear, { a: shot(reason.shots[0]), b: shot(reason.shots[1]) })
  return write(PRACTICE.mixed)
}

/** What a block may be worth. */
export function worthText({ worthM }: Pick<PlanBlock, 'worthM'>, unit: DistanceUnit): string {
  return distanceText(worthM, unit, 1) === '0.0' || worthM <= 0
    ? write(PRACTICE.holds)
    : write(PRACTICE.worth, { by: distanceWithUnit(worthM, unit, 1) })
}

/** "123 with 46° full". */
function askedText(task: DrillTask, names: PracticeNames): string {
  if (task.curve) {
    const shape = shapeWord(task.curve, names.hand)
    return task.curve === 'straight' ? shape : write(PRACTICE.asksCurve, { shape, way: task.curve })
  }
  const [head, more] = [taskHead(task, names), taskMore(task, names)]
  if (!more) return head
  return task.clubId ? write(PRACTICE.withShot, { at: head, shot: more }) : `${head} ${more}`
}

/** What a drill asks for, in a line: "50, 61, 72 and 83". */
export function asksText(spec: DrillSpec, names: PracticeNames): string {
  const own = namesOfGo(spec, names)
  const asked = [...new Set(spec.tasks.map(task => askedText(task, own)))]
  const most = spec.tasks.some(({ clubId, targetM }) => clubId && targetM !== undefined) ? 3 : 8
  return asked.length > most ? write(PRACTICE.andMore, { asked: asked.slice(0, most).join(', ') }) : listed(asked)
}

/** Whether the yardage that is liked least is the worst on record: by leave in shares of the distance. */
export function leastLikedText(likedM: number, leaves: readonly LeaveAt[], unit: DistanceUnit): string {
  const near = leaves.filter(({ atM }) => Math.abs(atM - likedM) <= NEAR_M)
  if (near.length === 0) return write(PRACTICE.noRecord)
  const share = ({ meanLeaveM, atM }: LeaveAt) => meanLeaveM / atM
  const [own, worst] = [near, leaves].map(list => list.reduce((a, b) => (share(b) > share(a) ? b : a))) as [
    LeaveAt,
    LeaveAt,
  ]
  const mean = distanceWithUnit(own.meanLeaveM, unit, 1)
  if (worst === own) return write(PRACTICE.reallyWorst, { mean })
  return write(PRACTICE.notWorst, {
    mean,
    worst: distanceWithUnit(worst.meanLeaveM, unit, 1),
    at: distanceText(worst.atM, unit),
  })
}
/** About a distance. */
const NEAR_M = yardsToMetres(8)
