import { MISHIT_SD, MISHIT_SHORT } from '../gaps/leave'
import { GRIP_DOWN_M } from '../gaps/stretches'
import type { CostAround } from './around'
import type { FlownShot } from './flown'
import { reaches, type Reach } from './reach'

/** Gripped down by so many inches at most; each takes about five yards. */
export const GRIPS = [0, 1, 2] as const
export type Grip = (typeof GRIPS)[number]
/** What gripping down by an inch costs in scatter. From memory. */
const GRIP_WIDER = 1.15

/** Stretched or held back so far that it is no stock shot any more, balls scatter so much more. Our choice. */
const STRETCHED_WIDER = 0.1

/** A way to play a stock shot: gripped down or not. Metres. */
export interface Variant extends Reach {
  shot: FlownShot
  grip: Grip
  /** Neutral carry as it is gripped. */
  carryM: number
  /** Metres of today's carry for each of neutral carry. */
  perNeutral: number
}

export function variantsOf(shots: readonly FlownShot[]): Variant[] {
  const reach = reaches(shots)
  return shots.flatMap((shot, i) =>
    GRIPS.flatMap((grip): Variant[] => {
      const carryM = shot.carryM - grip * GRIP_DOWN_M
      // A club gripped down to half its distance is another shot.
      if (grip > 0 && carryM < 0.7 * shot.carryM) return []
      return [{ shot, grip, carryM, perNeutral: shot.todayM / shot.carryM, ...reach[i]! }]
    }),
  )
}

/** How wide balls lie about where they are meant to, on this day and from this lie. */
export interface Width {
  /** Course scatter over range scatter, times what the lie makes wider. */
  times: number
  mishitShare: number
}

/** Where a way of playing a shot is meant to end, and how its balls lie about it; metres past and right of the flag. */
export interface Meant {
  plusM: number
  aimRightM: number
  pitchM: number
  pastM: number
  rightM: number
  longSdM: number
  sideSdM: number
  /** A mishit falls so far short of it, and scatters along by so much. */
  mishitShortM: number
  mishitSdM: number
}

/** The plus that brings it to the flag, as far as it may be stretched. */
export function plusTo(variant: Variant, targetM: number): number {
  const { shot, carryM, perNeutral, mostPlusM, mostMinusM } = variant
  const wanted = (targetM - shot.runM) / perNeutral - carryM
  return Math.min(mostPlusM, Math.max(-mostMinusM, wanted))
}

/** The aim that takes out the player's usual miss and the drift, right positive. */
export const aimToFlag = ({ shot, carryM }: Variant): number => -(shot.sideBiasM * (carryM / shot.carryM) + shot.driftM)

export function meantBy(
  variant: Variant,
  targetM: number,
  plusM: number,
  aimRightM: number,
  { times }: Pick<Width, 'times'>,
): Meant {
  const { shot, grip, carryM, perNeutral, tenthPlusM, tenthMinusM } = variant
  const pitchM = (carryM + plusM) * perNeutral
  const stretched = 1 + STRETCHED_WIDER * (plusM > 0 ? plusM / tenthPlusM : -plusM / tenthMinusM)
  const wider = times * stretched * GRIP_WIDER ** grip * (carryM / shot.carryM) * perNeutral
  return {
    plusM,
    aimRightM,
    pitchM,
    pastM: pitchM + shot.runM - targetM,
    rightM: aimRightM - aimToFlag(variant),
    longSdM: Math.hypot(wider * shot.longSdM, shot.windSdM),
    sideSdM: wider * shot.sideSdM,
    mishitShortM: MISHIT_SHORT * pitchM,
    mishitSdM: Math.hypot(MISHIT_SD * pitchM, wider * shot.longSdM),
  }
}

/** Mean strokes to hole out from where it ends, over these strikes. */
export function meanCost(meant: Meant, { mishitShare }: Width, cost: CostAround, points: Float64Array): number {
  const { pastM, rightM, longSdM, sideSdM, mishitShortM, mishitSdM } = meant
  let good = 0
  let poor = 0
  for (let i = 0; i < points.length; i += 2) {
    const [z, side] = [points[i]!, rightM + sideSdM * points[i + 1]!]
    good += cost(pastM + longSdM * z, side)
    poor += cost(pastM - mishitShortM + mishitSdM * z, side)
  }
  return (2 * ((1 - mishitShare) * good + mishitShare * poor)) / points.length
}

const BAD_SHARE = 0.9

/** Mean leave, the leave of the worst in ten, and the share of balls that find trouble. */
export function leavesOf(
  meant: Meant,
  { mishitShare }: Width,
  inTrouble: (pastM: number, rightM: number) => boolean,
  points: Float64Array,
): { leaveM: number; badLeaveM: number; troubleShare: number; shortShare: number } {
  const { pastM, rightM, longSdM, sideSdM, mishitShortM, mishitSdM } = meant
  const n = points.length / 2
  const distances = new Float64Array(2 * n)
  let [mean, trouble, short] = [0, 0, 0]
  const weights = [(1 - mishitShare) / n, mishitShare / n]
  for (let i = 0; i < n; i++) {
    const side = rightM + sideSdM * points[2 * i + 1]!
    for (const [k, past] of [
      [0, pastM + longSdM * points[2 * i]!],
      [1, pastM - mishitShortM + mishitSdM * points[2 * i]!],
    ] as const) {
      const distance = Math.sqrt(past * past + side * side)
      distances[k * n + i] = distance
      mean += weights[k]! * distance
      if (past < 0) short += weights[k]!
      if (inTrouble(past, side)) trouble += weights[k]!
    }
  }
  return {
    leaveM: mean,
    badLeaveM: weightedQuantile(distances.subarray(0, n).sort(), distances.subarray(n).sort(), mishitShare),
    troubleShare: trouble,
    shortShare: short,
  }
}

/** The distance that nine balls in ten stay within: clean ones and mishits, each sorted, by their shares. */
function weightedQuantile(clean: Float64Array, bad: Float64Array, mishitShare: number): number {
  const n = clean.length
  let [i, j, sum] = [0, 0, 0]
  let last = 0
  while (sum < BAD_SHARE) {
    const takeClean = i < n && (j >= n || clean[i]! <= bad[j]!)
    last = takeClean ? clean[i++]! : bad[j++]!
    sum += (takeClean ? 1 - mishitShare : mishitShare) / n
  }
  return last
}
