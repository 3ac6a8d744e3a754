import { cellKey } from '../bag/bag'
import type { CarryChart, ChartCell } from '../chart/chart-cell'
import type { GridFit } from '../chart/grid-fit'
import { usualScatterM } from '../model/usual-scatter'
import { ballSd } from '../model/estimate'
import type { SidePattern } from '../model/side'
import { exp } from '../stats/exact'
import { fromUnit, toUnit, yardsToMetres, type DistanceUnit } from '../units'
import { aimed, type AimedSides } from './aim'
import { GRIP_DOWN_M, type Cover, type CoverAt, type CoverShot } from './stretches'
import { leastLeaveM, leave, meanLeaveM, type Scatter } from './leave'

/** What gripping down costs: scatter, and doubt about the number. From memory. */
const GRIP_SPREAD = 1.15
const GRIP_DOUBT_M = yardsToMetres(1.5)

/** What of a player's scatter is the same for all shots. */
export interface PlayerScatter {
  mishitShare: number
  /** Scatter of one ball on ln carry where all cells are alike: φ. */
  spread: number
  /** Side scatter, and the bias that the aim leaves, as shares of the carry. */
  sideShare: number
  sideBias: number
}

export function playerScatter({ fit }: Pick<GridFit, 'fit'>, sides: AimedSides): PlayerScatter {
  return { mishitShare: fit.mishitShare, spread: fit.spread, sideShare: sides.sd, sideBias: sides.playerBias }
}

/**
 * Leave beyond what could be, from which on a yard is a hole: about 5 yd off the nearest number for a usual player.
 * From memory.
 */
export const HOLE_M = yardsToMetres(2)
/**
 * To be sure, every number is moved towards the target by so many standard deviations of its doubt. A lesser move makes
 * nothing likely: of holes that bear 0.9 one in four is false. [sim]
 */
const REACH_SDS = 1.28

/** A shot gripped down an inch. */
export function grippedDown(shot: CoverShot): CoverShot {
  return {
    ...shot,
    grippedDown: true,
    carryM: shot.carryM - GRIP_DOWN_M,
    scatterSdM: shot.scatterSdM * GRIP_SPREAD,
    certaintySdM: Math.hypot(shot.certaintySdM, GRIP_DOUBT_M),
    sideSdM: shot.sideSdM * GRIP_SPREAD,
  }
}

export interface CoverOptions {
  /** Only shots with a ball that counts. */
  measuredOnly?: boolean
  unit?: DistanceUnit
  /** The player aims at the target, whatever the usual miss to one side. */
  aimedStraight?: boolean
}

/** A stock shot that can be chosen; of predicted ones only those that are asked for, or that the coach wrote. */
const isServing = ({ kind, written }: ChartCell, measuredOnly: boolean | undefined) =>
  kind === 'measured' || (kind === 'predicted' && (written === true || !measuredOnly))

/** The shots of a chart that cover is worked out from, those gripped down after them. */
export function coverShots(
  chart: CarryChart,
  grid: GridFit,
  sides: AimedSides,
  { measuredOnly }: CoverOptions = {},
): CoverShot[] {
  const { fit } = grid
  const n = fit.mean.length
  const stock = chart.flatMap((cell): CoverShot[] => {
    if (cell.plain || cell.carryM === null || !isServing(cell, measuredOnly)) return []
    const i = grid.indexOf.get(cellKey(cell))!
    const carryM = exp(fit.mean[i]!)
    return [
      {
        clubId: cell.clubId,
        rungId: cell.rungId,
        grippedDown: false,
        predicted: cell.kind === 'predicted' && !cell.written,
        carryM,
        certaintySdM: carryM * Math.sqrt(fit.covariance[i * n + i]!),
        scatterSdM: carryM * ballSd(fit, i),
        sideBiasM: carryM * sides.bias[i]!,
        sideSdM: carryM * sides.sd,
      },
    ]
  })
  return [...stock, ...stock.filter(shot => shot.carryM > GRIP_DOWN_M).map(grippedDown)]
}

/**
 * How a choice is looked at: with the doubt about its number, without, or moved towards the target within that doubt.
 */
type Look = 'as known' | 'as if certain' | 'moved'

/** As near to the target as its number may be, not past it. */
function nearest({ carryM, certaintySdM }: CoverShot, targetM: number): number {
  const reach = REACH_SDS * certaintySdM
  return targetM > carryM ? Math.min(targetM, carryM + reach) : Math.max(targetM, carryM - reach)
}

const carryAs = (shot: CoverShot, targetM: number, look: Look) =>
  look === 'moved' ? nearest(shot, targetM) : shot.carryM
const longSdAs = ({ certaintySdM, scatterSdM }: CoverShot, look: Look) =>
  look === 'as known' ? Math.sqrt(certaintySdM * certaintySdM + scatterSdM * scatterSdM) : scatterSdM

function scatterOf(shot: CoverShot, mishitShare: number, targetM: number, look: Look): Scatter {
  return {
    carryM: carryAs(shot, targetM, look),
    longSdM: longSdAs(shot, look),
    sideBiasM: shot.sideBiasM,
    sideSdM: shot.sideSdM,
    mishitShare,
  }
}

/**
 * The least mean leave of all shots, and whose: a shot that cannot come under the best so far is not worked out.
 * @param byCarry the shots' places by carry, so that the nearest are tried first and the far ones not at all
 */
function least(
  shots: readonly CoverShot[],
  byCarry: readonly number[],
  targetM: number,
  mishitShare: number,
  look: Look,
): { best: number; leaveM: number } {
  let best = -1
  let leaveM = Infinity
  const clean = 1 - mishitShare
  const reachOf = (shot: CoverShot) => (look === 'moved' ? REACH_SDS * shot.certaintySdM : 0)
  const most = shots.reduce((reach, shot) => Math.max(reach, reachOf(shot)), 0)
  let up = byCarry.findIndex(i => shots[i]!.carryM >= targetM)
  if (up < 0) up = byCarry.length
  let down = up - 1
  while (down >= 0 || up < byCarry.length) {
    const below = down >= 0 ? targetM - shots[byCarry[down]!]!.carryM : Infinity
    const above = up < byCarry.length ? shots[byCarry[up]!]!.carryM - targetM : Infinity
    // The mean of a distance is at least how far its mean lies off.
    if (clean * (Math.min(below, above) - most) > leaveM) break
    const i = below <= above ? byCarry[down--]! : byCarry[up++]!
    const shot = shots[i]!
    if (
      leastLeaveM(
        targetM,
        carryAs(shot, targetM, look),
        longSdAs(shot, look),
        shot.sideBiasM,
        shot.sideSdM,
        mishitShare,
      ) >= leaveM
    )
      continue
    const found = meanLeaveM(targetM, scatterOf(shot, mishitShare, targetM, look))
    if (found < leaveM) [best, leaveM] = [i, found]
  }
  return { best, leaveM }
}

/** Every whole yard or metre from the shortest stock carry to the longest, metres. */
export function targetsOf(carriesM: readonly number[], unit: DistanceUnit): number[] {
  if (carriesM.length === 0) return []
  const from = Math.ceil(toUnit(Math.min(...carriesM), unit) - 1e-9)
  const to = Math.floor(toUnit(Math.max(...carriesM), unit) + 1e-9)
  return Array.from({ length: Math.max(0, to - from + 1) }, (_, k) => fromUnit(from + k, unit))
}

/**
 * What the player would leave at this target with a stock shot that carries exactly so far, and a certain number,
 * aimed like all the others.
 */
export function couldLeaveM(targetM: number, { spread, sideShare, sideBias, mishitShare }: PlayerScatter): number {
  return meanLeaveM(targetM, {
    carryM: targetM,
    longSdM: usualScatterM(spread, targetM),
    sideBiasM: sideBias * targetM,
    sideSdM: sideShare * targetM,
    mishitShare,
  })
}

/**
 * Cover: for each target the shot that leaves least, how much, and whether that is a hole.
 * @param targetsM metres
 */
export function coverOf(shots: readonly CoverShot[], player: PlayerScatter, targetsM: readonly number[]): CoverAt[] {
  const { mishitShare } = player
  if (shots.length === 0) return []
  const byCarry = shots.map((_, i) => i).sort((a, b) => shots[a]!.carryM - shots[b]!.carryM || a - b)
  return targetsM.map((atM): CoverAt => {
    const couldM = couldLeaveM(atM, player)
    const { best } = least(shots, byCarry, atM, mishitShare, 'as known')
    const { meanM, badM } = leave(atM, scatterOf(shots[best]!, mishitShare, atM, 'as known'))
    // Doubt about a number makes a yardage weak, not missing: holes are told with every number taken as certain. That
    // leaves no more than with the doubt, so where even that is no hole nothing else need be asked.
    const missing = (look: Look) => least(shots, byCarry, atM, mishitShare, look).leaveM - couldM > HOLE_M
    const holeAt = (): CoverAt['hole'] => {
      if (meanM - couldM <= HOLE_M || !missing('as if certain')) return null
      return missing('moved') ? 'sure' : 'open'
    }
    return { atM, best, leaveM: meanM, badM, couldM, hole: holeAt() }
  })
}

/** The cover of a chart, yard by yard or metre by metre. */
export function chartCover(
  chart: CarryChart,
  grid: GridFit,
  pattern: Pick<SidePattern, 'bias' | 'playerBias' | 'sd'>,
  options: CoverOptions = {},
): Cover {
  const unit = options.unit ?? 'yd'
  const sides = aimed(pattern, options.aimedStraight ?? false)
  const shots = coverShots(chart, grid, sides, options)
  const targets = targetsOf(
    shots.filter(shot => !shot.grippedDown).map(shot => shot.carryM),
    unit,
  )
  return {
    unit,
    shots,
    mishitShare: grid.fit.mishitShare,
    at: coverOf(shots, playerScatter(grid, sides), targets),
  }
}
