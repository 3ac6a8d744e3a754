import { cellKey, type StockShot } from '../bag/bag'
import { calledBy, calledFor, carryOnCurve, curveOf, type RungCurve, type RungScale } from '../chart/between-rungs'
import type { SideTold } from '../chart/chart-cell'
import { groupBy } from '../group-by'
import type { PublishedCell } from '../history/published'
import { newMemo, type Memo } from '../memo'
import { yardsToMetres } from '../units'
import { costAround, isIn, type Around, type CostAround } from './around'
import {
  aimToFlag,
  leavesOf,
  meanCost,
  meantBy,
  plusTo,
  variantsOf,
  type Meant,
  type Variant,
  type Width,
} from './candidate'
import { heightAt, type FlownShot } from './flown'
import { LIES, type Lie } from './lies'
import type { PickPlayer } from './pick-player'
import { STRIKES_A_LOOK, STRIKES_REFINED, STRIKES_SHOWN, strikePoints } from './strikes'
import { COURSE_SCATTER, costsOf } from './strokes'

/** A height that the ball must clear, or stay under, at a distance. Metres. */
export interface Height {
  atM: number
  heightM: number
}

/** What is asked on the course. */
export interface PickQuestion {
  /** To the flag, along the ground. */
  targetM: number
  around: Around
  lie: Lie
  over: readonly Height[]
  under: readonly Height[]
}

/** A stock shot for a target, and how to play it. Metres; right is positive. */
export interface PickedShot extends StockShot {
  club: string
  swing: string
  cue: string
  kind: PublishedCell['kind']
  /** What the player reads on the card: a carry, or a total. */
  numberM: number
  byTotal: boolean
  gripDown: 0 | 1 | 2
  /** What to call beyond the number as it is gripped: "plus one". By what a plus comes to for this player. */
  plusM: number
  aimRightM: number
  /** What the target plays like with it, in neutral air, and what of that is wind, air and slope. */
  playsM: number
  parts: { windM: number; airM: number; slopeM: number }
  /** Where it pitches and where it stops. */
  pitchM: number
  stopM: number
  leaveM: number
  /** One in ten ends further away. */
  badLeaveM: number
  /** Expected to hole out, this one counted. */
  strokes: number
  /** Share of balls that find trouble, and that end short of the flag. */
  troubleShare: number
  shortShare: number
  apexM: number
  descentDeg: number
  runM: number
  /** Where it is meant to stop past the flag and right of it, and its scatter, one standard deviation. */
  patch: { pastM: number; rightM: number; longSdM: number; sideSdM: number }
  /** The least that it clears or stays under what was asked; null where nothing was. */
  marginM: number | null
  sideKnown: boolean
  /** The player's usual miss with it, right positive; 0 where no side was measured. */
  missRightM: number
  /** Whose balls tell it, and how many; null in older charts. */
  sideTold: SideTold | null
  /** In the schools of club speed and feel: what to call between the swing lengths, and what one more is worth. */
  call: { scale: RungScale; value: number; perOneM: number } | null
}

export interface Picked {
  targetM: number
  /** Best first: equals in the player's order. At most four. */
  picks: PickedShot[]
  /** So many of them, from the first, are not told apart. */
  ties: number
  /** Place of the one whose bad ball ends nearer, where that is not the first. */
  nearerBadBall: number | null
  /**
   * Another way to the same number, low beside high: its place, and which of the two the first is; null without one.
   */
  otherWay: { place: number; firstIs: 'low' | 'high' } | null
  /** The coach's rule brought the first one up. */
  byRule: boolean
  /** What no stock shot reaches: shorter than the shortest held back, longer than the longest stretched, or between. */
  unserved: 'short' | 'long' | 'between' | null
  /** Nothing is left once heights are asked for. */
  blocked: boolean
}

/** Differences below are not told apart. */
const TIE_STROKES = 0.03
/** A bad ball ends nearer by so much, or it is the same. */
const TIE_BAD_M = yardsToMetres(1)
/** What is further off than this when stretched as far as may be does not serve. */
const UNSERVED_M = yardsToMetres(2)
/** So many are looked at closely, the nearest by a first look. */
const LOOKED_AT = 10
/** A stretch is longer than another by so much, or it is the same. */
const TIE_PLUS_M = yardsToMetres(2)
const SHOWN = 3
/** Two ways to one number fly so differently that each has a use of its own: apex over apex. Our choice. */
const OTHER_WAY = 1.3
/** Another way serves the number where it is held back or stretched no more than this. */
const OTHER_WAY_PLUS_M = yardsToMetres(5)
const AIM_STEP_M = yardsToMetres(1)
const AIM_REACH = 15
const MOST_ROUNDS = 4

interface Looked {
  variant: Variant
  meant: Meant
  cost: number
}

const inTroubleOf =
  ({ trouble }: Around) =>
  (pastM: number, rightM: number) =>
    trouble.some(one => isIn(one, pastM, rightM))

/** The least that a flight clears what is to be cleared, and stays under what is above; null where nothing is asked. */
function marginOf({ shot }: Variant, pitchM: number, { over, under }: PickQuestion): number | null {
  const times = pitchM / shot.todayM
  // Stretched, a flight keeps its shape.
  const at = (alongM: number) => (heightAt(shot, alongM / times) ?? -Infinity) * (times < 1 ? 1 : times)
  const margins = [
    ...over.map(({ atM, heightM }) => (atM > pitchM ? Infinity : at(atM) - heightM)),
    ...under.map(({ atM, heightM }) => (atM > pitchM ? Infinity : heightM - at(atM))),
  ].filter(margin => margin !== Infinity)
  return margins.length === 0 ? null : Math.min(...margins)
}

/**
 * Where to aim, and how much more or less of the shot: the least mean cost on a grid of yards, then of half yards about
 * it. Without trouble the flag is aimed at.
 */
function bestAim(
  variant: Variant,
  targetM: number,
  width: Width,
  cost: CostAround,
  few: Float64Array,
  more: Float64Array,
): { meant: Meant; cost: number } {
  const aim0 = aimToFlag(variant)
  const plus0 = plusTo(variant, targetM)
  const { mostPlusM, mostMinusM } = variant
  let points = few
  const look = (plusM: number, aimM: number) => {
    const meant = meantBy(variant, targetM, plusM, aimM, width)
    return { meant, cost: meanCost(meant, width, cost, points) }
  }
  let best = look(plus0, aim0)
  const tryAt = (plusM: number, aimM: number) => {
    if (plusM > mostPlusM || plusM < -mostMinusM) return
    const found = look(plusM, aimM)
    if (found.cost < best.cost - 1e-9) best = found
  }
  const reach = Math.ceil((mostPlusM + mostMinusM) / AIM_STEP_M)
  // Every other yard over all of it; then yards, halves and quarters about the best so far.
  for (let p = -reach; p <= reach; p += 2)
    for (let a = -AIM_REACH; a <= AIM_REACH; a += 2) tryAt(plus0 + p * AIM_STEP_M, aim0 + a * AIM_STEP_M)
  points = more
  best = look(best.meant.plusM, best.meant.aimRightM)
  for (const step of [2 * AIM_STEP_M, AIM_STEP_M, AIM_STEP_M / 2, AIM_STEP_M / 4])
    for (let round = 0; round < MOST_ROUNDS; round++) {
      const { plusM, aimRightM } = best.meant
      for (const p of [-1, 0, 1]) for (const a of [-1, 0, 1]) tryAt(plusM + p * step, aimRightM + a * step)
      if (best.meant.plusM === plusM && best.meant.aimRightM === aimRightM) break
    }
  return best
}

/** What the target plays like with a shot: the neutral length that gets there today, run counted, and its parts. */
function playsOf({ shot, perNeutral }: Variant, targetM: number): Pick<PickedShot, 'playsM' | 'parts'> {
  const landM = targetM - shot.runM
  const playsM = landM / perNeutral + shot.runM
  const { windM, airM, slopeM } = shot.parts
  const all = windM + airM + slopeM
  // What the day gives in length is taken off, and what it takes is put on.
  const times = Math.abs(all) < 1e-9 ? 0 : (playsM - targetM) / all
  return { playsM, parts: { windM: windM * times, airM: airM * times, slopeM: slopeM * times } }
}

/** The curves of clubs whose swing lengths are called by a number, on what they are called by. */
function callCurves({ shots }: PickPlayer): Map<string, RungCurve> {
  const curves = new Map<string, RungCurve>()
  for (const [clubId, own] of groupBy(shots, shot => shot.clubId)) {
    const points = own.flatMap(({ swing, rungId, carryM }) => {
      const called = calledBy(swing)
      return called ? [{ rungId, carryM, window80M: [carryM, carryM] as [number, number], ...called }] : []
    })
    const scale = points[0]?.scale
    const isOne = scale !== undefined && points.every(point => point.scale === scale)
    const curve = isOne ? curveOf(clubId, scale, points) : null
    if (curve) curves.set(clubId, curve)
  }
  return curves
}

function callFor(curves: ReadonlyMap<string, RungCurve>, clubId: string, carryM: number): PickedShot['call'] {
  const curve = curves.get(clubId)
  const value = curve ? calledFor(curve, carryM) : null
  const there = curve && value !== null ? carryOnCurve(curve, value) : null
  return curve && value !== null && there ? { scale: curve.scale, value, perOneM: there.perOneM } : null
}

/** Between equals: what the player changes first. Less comes first. */
function habitOrder(
  { gripDown, rung }: { gripDown: number; rung: number },
  habit: PickPlayer['settings']['habit'],
): number {
  if (habit === 'grip') return -gripDown
  return habit === 'swing' ? 100 * gripDown + rung : 100 * gripDown - rung
}

/**
 * The stock shots for a target, best first by expected strokes.
 * @param shots as they fly today
 * @param question.targetM above 0
 */
export function pick(
  player: PickPlayer,
  shots: readonly FlownShot[],
  question: PickQuestion,
  memo: Memo = newMemo(),
): Picked {
  const { targetM, around, lie } = question
  const nothing: Picked = {
    targetM,
    picks: [],
    ties: 0,
    nearerBadBall: null,
    otherWay: null,
    byRule: false,
    unserved: null,
    blocked: false,
  }
  if (shots.length === 0) return nothing
  const cost = costAround(around, targetM, costsOf(player.level, memo))
  const width: Width = {
    times: (player.settings.courseScatter ?? COURSE_SCATTER) * LIES[lie].wider,
    mishitShare: player.mishitShare,
  }
  const few = strikePoints(STRIKES_A_LOOK, memo)
  const refined = strikePoints(STRIKES_REFINED, memo)
  const many = strikePoints(STRIKES_SHOWN, memo)
  const aimed = around.trouble.length > 0 || around.green !== undefined

  const all = variantsOf(shots).map((variant): Looked => {
    const meant = meantBy(variant, targetM, plusTo(variant, targetM), aimToFlag(variant), width)
    return { variant, meant, cost: Infinity }
  })
  const free = all.filter(({ variant, meant }) => (marginOf(variant, meant.pitchM, question) ?? 0) >= 0)
  if (free.length === 0) return { ...nothing, blocked: true }
  // Those that come nearest: one that falls far off is not worth the look.
  const near = [...free]
    .sort((a, b) => Math.abs(a.meant.pastM) - Math.abs(b.meant.pastM) || a.meant.longSdM - b.meant.longSdM)
    .slice(0, 3 * LOOKED_AT)
    .map(one => ({ ...one, cost: meanCost(one.meant, width, cost, few) }))
    .sort((a, b) => a.cost - b.cost)
    .slice(0, LOOKED_AT)
  const looked = near.map(one =>
    aimed ? { ...one, ...bestAim(one.variant, targetM, width, cost, few, refined) } : one,
  )
  const inTrouble = inTroubleOf(around)
  const curves = callCurves(player)
  const found = looked
    .map(({ variant, meant }): PickedShot & { rung: number } => {
      const { shot, grip } = variant
      const { leaveM, badLeaveM, troubleShare, shortShare } = leavesOf(meant, width, inTrouble, many)
      return {
        clubId: shot.clubId,
        rungId: shot.rungId,
        club: shot.club,
        swing: shot.swing,
        cue: shot.cue,
        kind: shot.kind,
        rung: shot.rung,
        numberM: shot.readM,
        byTotal: shot.byTotal,
        gripDown: grip,
        plusM: meant.plusM / player.plusWorth,
        aimRightM: meant.aimRightM,
        ...playsOf(variant, targetM),
        pitchM: meant.pitchM,
        stopM: meant.pitchM + shot.runM,
        leaveM,
        badLeaveM,
        strokes: 1 + meanCost(meant, width, cost, many),
        troubleShare,
        shortShare,
        apexM: shot.apexM,
        descentDeg: shot.descentDeg,
        runM: shot.runM,
        patch: { pastM: meant.pastM, rightM: meant.rightM, longSdM: meant.longSdM, sideSdM: meant.sideSdM },
        marginM: marginOf(variant, meant.pitchM, question),
        sideKnown: shot.sideKnown,
        missRightM: shot.sideBiasM,
        sideTold: shot.sideTold,
        call: grip === 0 ? callFor(curves, shot.clubId, variant.carryM + meant.plusM) : null,
      }
    })
    .filter(one => (one.marginM ?? 0) >= 0)
    .sort((a, b) => a.strokes - b.strokes || a.badLeaveM - b.badLeaveM)
  if (found.length === 0) return { ...nothing, blocked: true }
  // One way of each stock shot, its best; of equals the one that the player is used to.
  const { habit } = player.settings
  const cells = [...groupBy(found, cellKey).values()]
    .map(
      ways =>
        ways
          .filter(one => one.strokes - ways[0]!.strokes < TIE_STROKES)
          .sort((a, b) => habitOrder(a, habit) - habitOrder(b, habit))[0]!,
    )
    .sort((a, b) => a.strokes - b.strokes || a.badLeaveM - b.badLeaveM)
  const least = cells[0]!.strokes
  const rule = player.settings.rules.find(({ fromM, toM }) => targetM >= fromM && targetM <= toM)
  const ruled = (one: PickedShot) => (rule && cellKey(one) === cellKey(rule) ? 0 : 1)
  const equals = cells
    .filter(one => one.strokes - least < TIE_STROKES)
    .sort(
      (a, b) =>
        ruled(a) - ruled(b) ||
        (Math.abs(a.badLeaveM - b.badLeaveM) > TIE_BAD_M ? a.badLeaveM - b.badLeaveM : 0) ||
        (Math.abs(Math.abs(a.plusM) - Math.abs(b.plusM)) > TIE_PLUS_M ? Math.abs(a.plusM) - Math.abs(b.plusM) : 0) ||
        habitOrder(a, habit) - habitOrder(b, habit),
    )
  const rest = cells.filter(one => one.strokes - least >= TIE_STROKES)
  const ordered = [...equals, ...rest]
  const shown = ordered.slice(0, Math.max(SHOWN, Math.min(equals.length, SHOWN + 1)))
  const nearest = cells.reduce((a, b) => (b.badLeaveM < a.badLeaveM ? b : a))
  if (!shown.includes(nearest)) shown.push(nearest)
  // None that is shown loses on both counts to one that is not.
  const better = (one: PickedShot) => (other: PickedShot) =>
    !shown.includes(other as (typeof shown)[number]) && other.strokes < one.strokes && other.badLeaveM < one.badLeaveM
  for (let i = 0; i < shown.length; i++) shown[i] = ordered.find(better(shown[i]!)) ?? shown[i]!
  const otherWay = otherWayOf(shown, ordered)
  const nearer = shown[0]!.badLeaveM - nearest.badLeaveM > TIE_BAD_M ? shown.indexOf(nearest) : null
  const off = shown[0]!.patch.pastM
  return {
    targetM,
    picks: shown.map(({ rung: _, ...one }) => one),
    ties: Math.min(equals.length, shown.length),
    nearerBadBall: nearer,
    otherWay,
    byRule: rule !== undefined && ruled(shown[0]!) === 0,
    unserved: unservedAt(all, aimed ? 0 : off),
    blocked: false,
  }
}

/**
 * The way that flies most unlike the first and still serves the number; it is shown where it was not.
 * @param shown is added to
 */
function otherWayOf<P extends PickedShot>(shown: P[], ordered: readonly P[]): Picked['otherWay'] {
  const first = shown[0]!
  const serves = (one: P) => Math.abs(one.plusM) <= OTHER_WAY_PLUS_M && Math.abs(one.patch.pastM) <= UNSERVED_M
  const unlike = ({ apexM }: P) => Math.max(apexM / first.apexM, first.apexM / apexM)
  if (!serves(first)) return null
  const found = ordered
    .filter(one => one !== first && serves(one) && unlike(one) >= OTHER_WAY)
    .sort((a, b) => a.strokes - b.strokes)
  const one = found.find(other => shown.includes(other)) ?? found[0]
  if (!one) return null
  if (!shown.includes(one)) shown.push(one)
  return { place: shown.indexOf(one), firstIs: one.apexM > first.apexM ? 'low' : 'high' }
}

/** Why nothing comes to the flag, where the best is off by so much. */
function unservedAt(all: readonly Looked[], offM: number): Picked['unserved'] {
  const least = all.reduce((a, b) => (Math.abs(b.meant.pastM) < Math.abs(a.meant.pastM) ? b : a)).meant.pastM
  if (Math.abs(least) <= UNSERVED_M && Math.abs(offM) <= 3 * UNSERVED_M) return null
  if (all.every(({ meant }) => meant.pastM > 0)) return 'short'
  return all.every(({ meant }) => meant.pastM < 0) ? 'long' : 'between'
}
