import { asin, cos, pow } from '../stats/exact'
import { BALL_RADIUS_M, INERTIA_SHARE, radSToRpm, toDeg, toRad } from './ball'
import type { Launch } from './fly'
import { median } from '../stats/median'

/** Lofts, written on the club, that the lines below were fitted over: only there a ball is corrected by them. */
export const DELIVERY_LOFT_DEG = [32, 64] as const
/**
 * So far the lines are followed for *plays like* alone, which asks for a longer club into the wind; beyond, the nearest
 * end is taken. At 21° they give 10.8° and 4,700 rpm at 63 m/s, where averages of professionals with a long iron are
 * about 10.5° and 4,600 (from memory).
 */
export const LONGEST_LOFT_DEG = 20
/** A face can put no more spin on a ball than about this: grip gives out. Fitted. */
const GRIP_RPM = 14_000
const ATTACK_DEG = 4
/** (1 + restitution) over (1 + ball/club mass): impact mechanics, restitution 0.8, head 0.30 kg. [mem] */
const IMPULSE = 1.57

/** What a clean strike of this loft and ball speed is like. */
export interface Delivery {
  launchDeg: number
  spinRpm: number
  /** Ball speed over club speed. */
  smash: number
  dynamicLoftDeg: number
}

/** A player's own way with a club: launch beside the usual, degrees; spin over the usual. */
export interface OwnStrike {
  launchOffDeg: number
  spinShare: number
}
export const USUAL_STRIKE: OwnStrike = { launchOffDeg: 0, spinShare: 1 }

/**
 * A clean strike from the loft and the ball speed. The two lines were fitted to published averages of professionals and
 * to clean strikes seen (56° full 10,300 to 10,500 rpm: common practice). Players differ by 2 to 3° and 9 to 12 % in
 * spin.
 * @example deliver(46, 40).spinRpm // => 8397
 */
export function deliver(loftDeg: number, ballSpeedMs: number, own: OwnStrike = USUAL_STRIKE): Delivery {
  const loft = Math.min(DELIVERY_LOFT_DEG[1], Math.max(LONGEST_LOFT_DEG, loftDeg))
  const launchDeg = 25 + 0.57 * (loft - 46)
  const spinRatio = 0.47 + 0.0131 * (loft - 46)
  const spinRaw = radSToRpm((spinRatio * ballSpeedMs) / BALL_RADIUS_M)
  const spinRpm = spinRaw / pow(1 + pow(spinRaw / GRIP_RPM, 8), 1 / 8)
  // The ball leaves below the face's normal by this much: it is what makes it spin.
  const below = asin(INERTIA_SHARE * spinRatio)
  const dynamicLoftDeg = launchDeg + toDeg(below)
  const smash = (IMPULSE * cos(toRad(dynamicLoftDeg + ATTACK_DEG))) / cos(below)
  return { launchDeg: launchDeg + own.launchOffDeg, spinRpm: spinRpm * own.spinShare, smash, dynamicLoftDeg }
}

/** The launch of that strike, straight at the target. */
export function straight(loftDeg: number, ballSpeedMs: number, own: OwnStrike = USUAL_STRIKE): Launch {
  const { launchDeg, spinRpm } = deliver(loftDeg, ballSpeedMs, own)
  return { speedMs: ballSpeedMs, launchDeg, azimuthDeg: 0, spinRpm, tiltDeg: 0 }
}

/** Launch records that a player's own way is believed by half. */
const OWN_RECORDS = 4

/**
 * A player's own way with a club from full launch records, pulled to the usual by four records' worth; null under four.
 * @param strikes good ones, of one stock shot or club
 */
export function ownStrike(
  loftDeg: number,
  strikes: readonly Pick<Launch, 'speedMs' | 'launchDeg' | 'spinRpm'>[],
): OwnStrike | null {
  if (strikes.length < OWN_RECORDS) return null
  const usual = strikes.map(strike => deliver(loftDeg, strike.speedMs))
  const belief = strikes.length / (strikes.length + OWN_RECORDS)
  const share = median(strikes.map((strike, i) => strike.spinRpm / usual[i]!.spinRpm))
  return {
    launchOffDeg: belief * median(strikes.map((strike, i) => strike.launchDeg - usual[i]!.launchDeg)),
    spinShare: pow(share, belief),
  }
}
