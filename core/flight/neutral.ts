import { metresToYards, toWind, yardsToMetres } from '../units'
import { airOf, NEUTRAL, windFactor, windFromParts, windParts, type Conditions, type Wind } from './air'
import { LONGEST_LOFT_DEG, straight, USUAL_STRIKE, type OwnStrike } from './deliver'
import { fly } from './fly'
import { solveSpeed } from './solve-speed'

/** `beyond`, `unreachable`: as `solveSpeed`. */
export type Carried =
  | { ok: true; carryM: number; ballSpeedMs: number }
  | { ok: false; reason: 'beyond' | 'unreachable' }

/** The same clean strike in one day's conditions and in another's. */
function carriedOver(
  loftDeg: number,
  carryM: number,
  from: Conditions,
  to: Conditions,
  own: OwnStrike,
  near?: number,
): Carried {
  const solved = solveSpeed(loftDeg, carryM, from, own, near)
  if (!solved.ok) return solved
  const flight = fly(straight(loftDeg, solved.ballSpeedMs, own), to)
  return flight.ok ? { ok: true, carryM: flight.carryM, ballSpeedMs: solved.ballSpeedMs } : flight
}

/**
 * What a carry of today would have been in neutral air: the strike is found that carries so today, and flown there.
 * @param carryM to the target's height, metres
 * @example toNeutral(60, 54.864, { ...NEUTRAL, wind: windFromParts(3.6, 0, CALM) }).carryM // => 57.59
 */
export function toNeutral(
  loftDeg: number,
  carryM: number,
  today: Conditions,
  own: OwnStrike = USUAL_STRIKE,
  near?: number,
): Carried {
  return carriedOver(loftDeg, carryM, today, NEUTRAL, own, near)
}

/** What a stock carry is today: the reverse of `toNeutral`. */
export function toToday(loftDeg: number, carryM: number, today: Conditions, own: OwnStrike = USUAL_STRIKE): Carried {
  return carriedOver(loftDeg, carryM, NEUTRAL, today, own)
}

/**
 * What a carry to a place above or below the ball would have been on level ground, in the same air.
 * @param heightM of the landing place above the ball, metres, −60 to 60
 * @example toLevel(52, 100, 5, NEUTRAL).carryM // => 104.0
 */
export function toLevel(
  loftDeg: number,
  carryM: number,
  heightM: number,
  today: Conditions,
  own: OwnStrike = USUAL_STRIKE,
): Carried {
  return carriedOver(loftDeg, carryM, { ...today, targetHeightM: heightM }, { ...today, targetHeightM: 0 }, own)
}

/**
 * Loft that is usual for a carry in yards, for "plays like" before a club is chosen. Common practice, a good
 * player's.
 */
const USUAL_LOFTS: readonly [yd: number, loftDeg: number][] = [
  [60, 58],
  [100, 56],
  [124, 50],
  [137, 46],
  [160, 40],
  [172, 36],
  [184, 32],
  [197, 27],
  [212, 22],
  [220, LONGEST_LOFT_DEG],
]

export function usualLoftDeg(carryM: number): number {
  const yd = metresToYards(carryM)
  const above = USUAL_LOFTS.findIndex(([at]) => yd <= at)
  if (above === 0) return USUAL_LOFTS[0]![1]
  if (above < 0) return USUAL_LOFTS.at(-1)![1]
  const [[y0, l0], [y1, l1]] = [USUAL_LOFTS[above - 1]!, USUAL_LOFTS[above]!]
  return l0 + ((yd - y0) / (y1 - y0)) * (l1 - l0)
}

export interface PlaysLike {
  /** The neutral carry that gets there today. */
  carryM: number
  /** What of it is wind, air (warmth, height, humidity) and slope; they add up to carry less target. */
  windM: number
  airM: number
  slopeM: number
}

/** Two thirds of the height that a wedge shot rises to: there it is longest. From memory. */
const BALL_HEIGHT_M = 20
/** A mile an hour into the wind, and one with it, in shares of the distance. Common practice. */
const RULE_OF_THUMB = { into: 0.01, with: 0.005 } as const

/** The wind where the ball flies, and what the rule of thumb makes of it as it was judged. */
export interface WindThere {
  ballMs: number
  ruleM: number
  /** It blows against the shot. */
  into: boolean
}

/**
 * What else is to be known of a wind before it is believed.
 * @param targetM along the ground
 * @example windThere(100, { ...CALM, speedMs: 4.4704, readAtM: 2 }) // => { ballMs: 6.90, ruleM: 110.0, into: true }
 */
export function windThere(targetM: number, wind: Wind): WindThere {
  const { headMs } = windParts(wind)
  const mph = toWind(headMs, 'mph')
  return {
    ballMs: wind.speedMs * windFactor(BALL_HEIGHT_M, wind.readAtM, wind.roughnessM),
    ruleM: targetM * (1 + mph * (mph > 0 ? RULE_OF_THUMB.into : RULE_OF_THUMB.with)),
    into: mph > 0,
  }
}

/** The neutral carry is looked for in steps of this share, up to the longest of the usual clubs. */
const LONGER = 1.08
const LONGEST_M = 1.15 * yardsToMetres(USUAL_LOFTS.at(-1)![0])
const CLOSE_M = 1e-4
const MOST_ROUNDS = 60

/**
 * Neutral carry that gets there today with the club that is usual for that carry: into the wind one takes more club,
 * and a flatter one loses less. (With the club for the bare target a breeze of 9 mph would make 116 of 100 yd; so it
 * makes 113.)
 */
function neutralFor(targetM: number, today: Conditions): number | null {
  /** How far beyond the target it comes down; what has no way there is short by all of it. */
  const off = (carryM: number): number => {
    const there = toToday(usualLoftDeg(carryM), carryM, today)
    return there.ok ? there.carryM - targetM : -targetM
  }
  let [low, high] = [targetM, targetM]
  let [fLow, fHigh] = [off(low), off(high)]
  while (fHigh < 0) {
    if (high > LONGEST_M) return null
    ;[low, fLow] = [high, fHigh]
    high *= LONGER
    fHigh = off(high)
  }
  while (fLow > 0) {
    ;[high, fHigh] = [low, fLow]
    low /= LONGER
    fLow = off(low)
  }
  // Modified false position (Illinois): the end that stays twice counts half.
  let side = 0
  for (let round = 0; round < MOST_ROUNDS && high - low > CLOSE_M; round++) {
    const next = (low * fHigh - high * fLow) / (fHigh - fLow)
    const f = off(next)
    if (Math.abs(f) < CLOSE_M) return next
    if (f > 0) {
      ;[high, fHigh] = [next, f]
      if (side > 0) fLow /= 2
      side = 1
    } else {
      ;[low, fLow] = [next, f]
      if (side < 0) fHigh /= 2
      side = -1
    }
  }
  return (low + high) / 2
}

/**
 * What a target plays like today, in parts. Each part is what changes when it alone is taken away, shared out so that
 * they add up.
 * @param targetM along the ground
 * @returns null when no such shot gets there, such as into a storm
 */
export function playsLike(targetM: number, today: Conditions): PlaysLike | null {
  const carryM = neutralFor(targetM, today)
  const windM = neutralFor(targetM, { ...NEUTRAL, wind: today.wind })
  const airM = neutralFor(targetM, { ...NEUTRAL, air: today.air })
  const slopeM = neutralFor(targetM, { ...NEUTRAL, targetHeightM: today.targetHeightM })
  if (carryM === null || windM === null || airM === null || slopeM === null) return null
  const parts = [windM - targetM, airM - targetM, slopeM - targetM]
  // What they do together and none alone goes to each by its size.
  const rest = carryM - targetM - parts.reduce((sum, part) => sum + part, 0)
  const size = parts.reduce((sum, part) => sum + Math.abs(part), 0)
  const [wind, air, slope] = parts.map(part => part + (size === 0 ? 0 : (rest * Math.abs(part)) / size)) as [
    number,
    number,
    number,
  ]
  return { carryM, windM: wind, airM: air, slopeM: slope }
}

/** How the wind was judged, and its standard deviation along the wind, m/s. Common practice, the report from memory. */
export const WIND_JUDGED = {
  calm: () => 0.5,
  meter: () => 0.7,
  felt: (speedMs: number) => Math.max(1, 0.3 * speedMs),
  report: (speedMs: number) => Math.max(1.5, 0.3 * speedMs),
  /** By where a ball pitched: as a felt one, unless its own error is stated. */
  pitched: (speedMs: number) => Math.max(1, 0.3 * speedMs),
} as const
export type WindJudged = keyof typeof WIND_JUDGED

/** The clock is read to about 0.7 of an hour; a thermometer to 2 °C. */
const CLOCK_SD_RAD = 0.35
const TEMP_SD_C = 2
/** Aerodynamics, and the strike behind a carry, as shares of the correction; both worse under 60 yd. [own] */
const SHORT_M = yardsToMetres(60)
const AERODYNAMICS = { short: 0.3, long: 0.15 } as const
const STRIKE = {
  unknown: { short: 0.45, long: 0.25 },
  own: { short: 0.1, long: 0.1 },
  launch: { short: 0, long: 0 },
} as const

/** What is known of a day's air, besides the figures: how the wind was judged. */
export interface Today extends Conditions {
  tempC: number
  pressurePa: number
  humidity: number
  judged: WindJudged
  /** The wind's own standard deviation along it, m/s, where that is known better than by how it was judged. */
  windSdMs?: number
}

/** @param pressurePa at the place itself */
export function todayOf(
  tempC: number,
  pressurePa: number,
  humidity: number,
  wind: Conditions['wind'],
  judged: WindJudged,
  targetHeightM = 0,
): Today {
  return { air: airOf(tempC, pressurePa, humidity), wind, targetHeightM, tempC, pressurePa, humidity, judged }
}

export interface Corrected {
  /**
   * Stock carry in neutral air, metres, and the standard deviation that the correction adds; common to all of that
   * air.
   */
  neutralM: number
  sdM: number
  /** Metres of neutral carry for each metre of carry today. */
  slope: number
  /** How far to the right today's air carries such a straight shot, metres. */
  driftM: number
}

/** Head part at 10 m, m/s, times carry, yards, beyond which more speed gains nothing worth measuring. [own] */
const MOST_HEAD_YD_MS = 450
const MOST_SLOPE = 2
const STEP_M = 0.5

/**
 * The middle of a stock shot's balls of one air, taken to neutral air, with the error of that.
 * @param known what the strike is known from: a carry alone, the player's own usual launch, or each ball's launch
 * @returns null when the wind is too strong to count: the shots are kept, and left out of the stock carry
 */
export function correct(
  loftDeg: number,
  carryM: number,
  today: Today,
  known: keyof typeof STRIKE = 'unknown',
  own: OwnStrike = USUAL_STRIKE,
): Corrected | null {
  const { headMs, rightMs } = windParts(today.wind)
  const at10 = windFactor(10, today.wind.readAtM, today.wind.roughnessM)
  if (headMs * at10 * metresToYards(carryM) > MOST_HEAD_YD_MS) return null
  const here = toNeutral(loftDeg, carryM, today, own)
  if (!here.ok) return null
  const neutralM = here.carryM
  // All that follow are close by: they begin where this one ended.
  const neutral = (conditions: Conditions, m = carryM): number | null => {
    const found = toNeutral(loftDeg, m, conditions, own, here.ballSpeedMs)
    return found.ok ? found.carryM : null
  }
  const [above, below] = [neutral(today, carryM + STEP_M), neutral(today, Math.max(0.5, carryM - STEP_M))]
  const head = (off: number) => neutral({ ...today, wind: windFromParts(headMs + off, rightMs, today.wind) })
  const warm = (off: number) => neutral({ ...today, air: airOf(today.tempC + off, today.pressurePa, today.humidity) })
  const [more, less, warmer, colder] = [head(0.5), head(-0.5), warm(2), warm(-2)]
  if (above === null || below === null || more === null || less === null || warmer === null || colder === null)
    return null
  const slope = (above - below) / (carryM + STEP_M - Math.max(0.5, carryM - STEP_M))
  if (slope > MOST_SLOPE) return null
  const speed = today.wind.speedMs
  const sdAlong = today.windSdMs ?? WIND_JUDGED[today.judged](speed)
  const headVariance = (speed === 0 ? sdAlong ** 2 : ((sdAlong * headMs) / speed) ** 2) + (CLOCK_SD_RAD * rightMs) ** 2
  const size = carryM < SHORT_M ? 'short' : 'long'
  const change = neutralM - carryM
  const drift = fly(straight(loftDeg, here.ballSpeedMs, own), today)
  const variance =
    (more - less) ** 2 * headVariance +
    (((warmer - colder) / 4) * TEMP_SD_C) ** 2 +
    (AERODYNAMICS[size] * change) ** 2 +
    (STRIKE[known][size] * change) ** 2
  return { neutralM, sdM: Math.sqrt(variance), slope, driftM: drift.ok ? drift.sideM : 0 }
}

/**
 * One ball of a stock shot in neutral air, by the correction of the pile's middle: taking each ball back by itself into
 * a headwind would blow the scatter up.
 * @param middleM of the pile, the one `corrected` was made from
 */
export function correctedCarryM(carryM: number, middleM: number, { neutralM, slope }: Corrected): number {
  return neutralM + Math.min(1, slope) * (carryM - middleM)
}

/** Where a ball pitches: along the line and to the right of it, metres. */
export interface Landing {
  carryM: number
  sideM: number
}

/**
 * A ball whose flight was seen and whose launch was measured, in neutral air: what it did, times what its launch does
 * there over what it does today; its side by the difference.
 * @param seen as measured; without a side there is none to correct
 * @param today where that launch pitches today, above 0
 * @param neutral where it pitches in neutral air
 * @example correctFlight({ carryM: 80, sideM: 2 }, { carryM: 82, sideM: 1 }, { carryM: 90.2, sideM: 0 })
 * // => { carryM: 88, sideM: 1 }
 */
export function correctFlight(
  seen: { carryM: number; sideM?: number },
  today: Landing,
  neutral: Landing,
): { carryM: number; sideM?: number } {
  const carryM = (seen.carryM * neutral.carryM) / today.carryM
  return seen.sideM === undefined ? { carryM } : { carryM, sideM: seen.sideM + neutral.sideM - today.sideM }
}
