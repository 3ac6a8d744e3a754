import type { StockShot } from '../bag/bag'
import { calledBy, calledFor, carryOnCurve, curveOf, type RungCurve, type RungScale } from '../chart/between-rungs'
import type { SideTold } from '../chart/chart-cell'
import { groupBy } from '../group-by'
import type { PublishedCell } from '../history/published'
import type { Around } from './around'
import type { Meant, Variant } from './candidate'
import { heightAt } from './flown'
import type { Lie } from './lies'
import type { PickPlayer } from './pick-player'

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

/** With the place of its swing length on the scale: equals go by it. */
export type RankedShot = PickedShot & { rung: number }

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

/** A way to play a stock shot, and where it is meant to end for this question. */
export interface Looked {
  variant: Variant
  meant: Meant
  /** Mean strokes from where its balls end. */
  cost: number
}

/** The least that a flight clears what is asked, and stays under what is above; null where nothing is asked. */
export function marginOf({ shot }: Variant, pitchM: number, { over, under }: PickQuestion): number | null {
  const times = pitchM / shot.todayM
  // Stretched, a flight keeps its shape.
  const at = (alongM: number) => (heightAt(shot, alongM / times) ?? -Infinity) * (times < 1 ? 1 : times)
  const margins = [
    ...over.map(({ atM, heightM }) => (atM > pitchM ? Infinity : at(atM) - heightM)),
    ...under.map(({ atM, heightM }) => (atM > pitchM ? Infinity : heightM - at(atM))),
  ].filter(margin => margin !== Infinity)
  return margins.length === 0 ? null : Math.min(...margins)
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
export function callCurves({ shots }: PickPlayer): Map<string, RungCurve> {
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

/** What is shown of a way to play it; what its balls come to is worked out by who asks. */
export function pickedShot(
  { variant, meant }: Looked,
  {
    targetM,
    plusWorth,
    curves,
    marginM,
  }: {
    targetM: number
    plusWorth: number
    curves: ReadonlyMap<string, RungCurve>
    marginM: number | null
  },
  balls: Pick<PickedShot, 'leaveM' | 'badLeaveM' | 'strokes' | 'troubleShare' | 'shortShare'>,
): RankedShot {
  const { shot, grip } = variant
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
    plusM: meant.plusM / plusWorth,
    aimRightM: meant.aimRightM,
    ...playsOf(variant, targetM),
    pitchM: meant.pitchM,
    stopM: meant.pitchM + shot.runM,
    ...balls,
    apexM: shot.apexM,
    descentDeg: shot.descentDeg,
    runM: shot.runM,
    patch: { pastM: meant.pastM, rightM: meant.rightM, longSdM: meant.longSdM, sideSdM: meant.sideSdM },
    marginM,
    sideKnown: shot.sideKnown,
    missRightM: shot.sideBiasM,
    sideTold: shot.sideTold,
    call: grip === 0 ? callFor(curves, shot.clubId, variant.carryM + meant.plusM) : null,
  }
}
