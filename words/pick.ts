import type { StockShot } from '../core/bag/bag'
import type { ServedTarget } from '../core/chart/served-best'
import type { Trouble } from '../core/pick/around'
import type { Habit } from '../core/history/published'
import type { Lie } from '../core/pick/lies'
import type { Picked, PickedShot } from '../core/pick/picked'
import { GRIP_DOWN_M } from '../core/gaps/stretches'
import { distanceText, distanceWithUnit, fromWind, type DistanceUnit, type SpeedUnit } from '../core/units'
import { HABIT_WORDS, LIE_WORDS, PICK } from './en/pick'
import { stepBetween } from './flags'
import { write } from './message'
import { speedText, usualSpeedUnit } from './readings'
import { stockShotName } from './stock-shot'

/** "56° at 9:00". */
export const pickName = ({ club, swing }: { club: string; swing: string }): string => stockShotName(club, swing)

/** What to call between the swing lengths: "70 mph", "75 %"; '' in the other schools. */
export function callText({ call }: Pick<PickedShot, 'call'>, unit: DistanceUnit, speedUnit?: SpeedUnit): string {
  if (!call) return ''
  return call.scale === 'speed' ? speedText(call.value, unit, speedUnit) : `${Math.round(call.value)} %`
}

/** What one more of what is called is worth there; '' in the other schools. */
export function callWorthText(
  { call }: Pick<PickedShot, 'call'>,
  unit: DistanceUnit,
  speedUnit: SpeedUnit = usualSpeedUnit(unit),
): string {
  if (!call) return ''
  const isSpeed = call.scale === 'speed'
  const worth = distanceWithUnit(call.perOneM * (isSpeed ? fromWind(1, speedUnit) : TEN), unit, 1)
  return write(PICK.worth, { one: isSpeed ? write(PICK.oneSpeed, { unit: speedUnit }) : write(PICK.tenPerCent), worth })
}
const TEN = 10

/**
 * How the stock shot is played: the difference of both numbers as they are read, and the grip.
 * @example howText({ numberM: 67.67, gripDown: 0, plusM: 1 }, 'yd') // => 'plus 1'
 */
export function howText(
  { numberM, gripDown, plusM }: { numberM: number; gripDown: number; plusM: number },
  unit: DistanceUnit,
): string {
  const n = stepBetween(numberM, numberM - gripDown * GRIP_DOWN_M + plusM, unit)
  const by = n === 0 ? write(PICK.exact) : write(n > 0 ? PICK.plus : PICK.minus, { n: String(Math.abs(n)) })
  return gripDown === 0 ? by : `${by}: ${write(PICK.grip, { n: gripDown })}`
}

/** What the player reads for it. */
export const yoursText = ({ numberM, byTotal }: Pick<PickedShot, 'numberM' | 'byTotal'>, unit: DistanceUnit): string =>
  write(byTotal ? PICK.yoursTotal : PICK.yours, { n: distanceText(numberM, unit) })

/** What one of two ways to the number is for; '' where there is one way. */
export function wayText({ otherWay }: Pick<Picked, 'otherWay'>, place: number): string {
  if (!otherWay || (place !== 0 && place !== otherWay.place)) return ''
  const isLow = (place === 0) === (otherWay.firstIs === 'low')
  return write(isLow ? PICK.lowWay : PICK.highWay)
}

/** Under the plan, where no side of the shot was measured; '' where it was. */
export const sideText = ({ sideKnown }: Pick<PickedShot, 'sideKnown'>): string =>
  sideKnown ? '' : write(PICK.sideUnknown)

/** "aim 3 left"; '' at the flag. */
export function aimText(aimRightM: number, unit: DistanceUnit): string {
  const off = distanceText(Math.abs(aimRightM), unit)
  return off === '0' ? '' : write(PICK.aim, { off, way: write(aimRightM < 0 ? PICK.left : PICK.right) })
}

/** The player's usual miss with the shot; '' where it is less than is read. */
export function missText(
  { missRightM, sideTold }: Pick<PickedShot, 'missRightM' | 'sideTold'>,
  unit: DistanceUnit,
): string {
  const off = distanceText(Math.abs(missRightM), unit)
  if (off === '0') return ''
  const way = write(missRightM < 0 ? PICK.left : PICK.right)
  const values = { off: distanceWithUnit(Math.abs(missRightM), unit), way }
  if (!sideTold) return write(PICK.usual, values)
  return write(sideTold.by === 'club' ? PICK.usualOfClub : PICK.usualOfPlayer, { ...values, n: sideTold.balls })
}

/** Under it a share is no more than a word. */
const HARDLY = 0.005

function shareText(share: number): string {
  if (share < HARDLY) return write(PICK.never)
  return share > 0.5 ? write(PICK.mostly) : write(PICK.oneIn, { n: String(Math.round(1 / share)) })
}

/** "Leaves 3 yd on average; one in ten ends 6 yd off; one in 12 finds the trouble." */
export function leavesText(
  { leaveM, badLeaveM, troubleShare }: Pick<PickedShot, 'leaveM' | 'badLeaveM' | 'troubleShare'>,
  anyTrouble: boolean,
  unit: DistanceUnit,
): string {
  const mean = distanceWithUnit(leaveM, unit)
  const bad = distanceWithUnit(badLeaveM, unit)
  return anyTrouble
    ? write(PICK.trouble, { mean, bad, share: shareText(troubleShare) })
    : write(PICK.leaves, { mean, bad })
}

const BACK_M = -0.3
const STOPS_M = 1.4
const LOW_DEG = 42

/** How it comes down and what it does then. */
export function landsText({ runM, descentDeg }: { runM: number; descentDeg: number }, unit: DistanceUnit): string {
  if (runM < BACK_M) return write(PICK.back)
  if (runM < STOPS_M) return write(PICK.stops)
  return write(descentDeg < LOW_DEG ? PICK.runs : PICK.bit, { run: distanceWithUnit(runM, unit) })
}

/** Why the first is the first. */
export function whyText({ picks, ties, byRule, nearerBadBall }: Picked, unit: DistanceUnit): string {
  const [first, second] = picks
  if (!first) return ''
  if (byRule) return write(PICK.rule)
  if (ties > 1 && second)
    return write(nearerBadBall === null && first.badLeaveM < second.badLeaveM ? PICK.tieNearer : PICK.tie)
  if (second && second.troubleShare - first.troubleShare > HARDLY) return write(PICK.avoids)
  return write(howText(first, unit) === write(PICK.exact) ? PICK.own : PICK.best)
}

/** What cannot be done with these numbers, and what comes nearest; '' where it can. */
export function unservedText({ picks, unserved, blocked }: Picked, unit: DistanceUnit): string {
  if (blocked) return write(PICK.blocked)
  const first = picks[0]
  if (!unserved || !first) return ''
  const off = distanceWithUnit(Math.abs(first.patch.pastM), unit)
  const shot = pickName(first)
  if (unserved === 'short') return write(PICK.tooShort, { shot, off })
  if (unserved === 'long') return write(PICK.tooLong, { shot, off })
  return write(PICK.between, { shot, off, way: first.patch.pastM > 0 ? 'past' : 'short' })
}

/** What the shot whose bad ball ends nearer has beside the first. */
export function nearerText(
  first: Pick<PickedShot, 'badLeaveM'>,
  nearer: Pick<PickedShot, 'badLeaveM'>,
  unit: DistanceUnit,
): string {
  return write(PICK.nearer, {
    bad: distanceWithUnit(nearer.badLeaveM, unit),
    other: distanceText(first.badLeaveM, unit),
  })
}

const signed = (metres: number, unit: DistanceUnit) =>
  `${metres < 0 ? '−' : '+'}${distanceText(Math.abs(metres), unit)}`

/** "wind +3, cold +1, down −2": what of it is what; parts of nothing are left away. */
export function partsText({ windM, airM, slopeM }: PickedShot['parts'], unit: DistanceUnit): string {
  const parts = [
    [PICK.wind, windM],
    [airM > 0 ? PICK.heavyAir : PICK.lightAir, airM],
    [slopeM > 0 ? PICK.up : PICK.down, slopeM],
  ] as const
  return parts
    .filter(([, metres]) => distanceText(Math.abs(metres), unit) !== '0')
    .map(([what, metres]) => `${write(what)} ${signed(metres, unit)}`)
    .join(', ')
}

/** Words about trouble on a picture. */
export const TROUBLE_TEXTS = { word: write(PICK.troubleWord) } as const

/** "8 short: a shot". */
export function troubleText({ side, fromM, strokes, andDistance }: Trouble, unit: DistanceUnit): string {
  const cost = andDistance ? PICK.outOfBounds : strokes < 1 ? PICK.halfShot : PICK.aShot
  return write(PICK.troubleAt, { at: distanceText(fromM, unit), side, cost: write(cost) })
}

/** What a player changes first between two numbers. */
export const habitTexts: Record<Habit, string> = HABIT_WORDS

/** Numbers of today's chart that differ from what the player carries; '' where none does. */
export const newerText = (numbers: number): string => (numbers === 0 ? '' : write(PICK.newer, { n: numbers }))

/**
 * What to mind about a lie; '' of the fairway.
 * @param flyerShare of this player off a clean lie, where it is known
 */
export function lieText(lie: Lie, flyerShare?: number): string {
  if (lie === 'fairway') return ''
  const flyers = flyerShare && flyerShare >= HARDLY ? `${Math.round(100 * flyerShare)} in 100` : 'none'
  return write(LIE_WORDS[lie], { flyers })
}

export const courseScatterText = (times: number): string => write(PICK.scatter, { times: String(times) })

/** What to leave on a long hole, and what it gains. */
export function layUpText(
  { leaveM, strokes, farthest }: { leaveM: number; strokes: number; farthest: { leaveM: number; strokes: number } },
  unit: DistanceUnit,
): string {
  const gain = (farthest.strokes - strokes).toFixed(2)
  if (Number(gain) === 0 || distanceText(leaveM, unit) === distanceText(farthest.leaveM, unit))
    return write(PICK.layUpFar, { leave: distanceWithUnit(farthest.leaveM, unit) })
  return write(PICK.layUp, {
    leave: distanceWithUnit(leaveM, unit),
    gain,
    least: distanceWithUnit(farthest.leaveM, unit),
  })
}

/** Which stock shot served a target best in practice: counted, not judged. */
export function servedText(
  { atM, shots }: ServedTarget,
  nameOf: (cell: StockShot) => string,
  unit: DistanceUnit,
): string {
  const list = shots.map(shot =>
    write(PICK.servedShot, { shot: nameOf(shot), leave: distanceWithUnit(shot.leaveM, unit), n: shot.balls }),
  )
  return write(PICK.served, { at: distanceWithUnit(atM, unit), list: list.join(', ') })
}
