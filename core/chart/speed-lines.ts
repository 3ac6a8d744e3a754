import { clubsInUse, type Bag } from '../bag/bag'
import { speedBallOf } from '../corrections/called-speed'
import { groupBy } from '../group-by'
import { carryAtSpeed, fitCleanLine, type SpeedBall, type SpeedLine } from '../model/club-speed'
import { SPEED } from '../model/constants'
import { counting, type AnyShot } from '../shot/shot'
import { exp, ln } from '../stats/exact'
import { Z_80 } from '../stats/normal'

/** Fewer balls tell a middle, not a line. */
export const LEAST_SPEED_BALLS = 5

export interface ClubBySpeed {
  clubId: string
  balls: { speedMph: number; carryM: number; rungId: string }[]
  line: SpeedLine
  /** Where its balls were, mph: the line is drawn there and a little beyond, not further. */
  fromMph: number
  toMph: number
}

/**
 * Carry as a function of club speed, club by club, of the counting balls whose speed was measured. Carries are taken as
 * they come: a chart's own are in neutral air.
 * @returns clubs with enough balls, most loft first
 */
export function clubsBySpeed(bag: Bag, shots: readonly AnyShot[]): ClubBySpeed[] {
  const byClub = groupBy(counting(shots), shot => shot.clubId)
  return clubsInUse(bag).flatMap(club => {
    const own = (byClub.get(club.id) ?? []).flatMap((shot): (SpeedBall & { rungId: string })[] => {
      const ball = speedBallOf(shot)
      return ball ? [{ ...ball, rungId: shot.rungId }] : []
    })
    if (own.length < LEAST_SPEED_BALLS) return []
    const speeds = own.map(ball => ball.speedMph)
    return [
      {
        clubId: club.id,
        balls: own.map(({ speedMph, carryM, rungId }) => ({ speedMph, carryM, rungId })),
        line: fitCleanLine(own, LEAST_SPEED_BALLS),
        fromMph: Math.min(...speeds),
        toMph: Math.max(...speeds),
      },
    ]
  })
}

/** Carry at a speed, where 8 balls in 10 struck at that speed land, metres, and what one mph more is worth there. */
export function callAt(
  { line }: Pick<ClubBySpeed, 'line'>,
  speedMph: number,
): { carryM: number; window80M: [number, number]; perMphM: number } {
  const { carryM, lnSd } = carryAtSpeed(line, speedMph)
  const half = Z_80 * carryM * Math.hypot(lnSd, SPEED.shotSd)
  return {
    carryM,
    window80M: [carryM - half, carryM + half],
    perMphM: carryAtSpeed(line, speedMph + 0.5).carryM - carryAtSpeed(line, speedMph - 0.5).carryM,
  }
}

/** The club speed that a carry takes, mph: "110 is 69 mph". */
export function speedFor({ line: { a, b } }: Pick<ClubBySpeed, 'line'>, carryM: number): number {
  return SPEED.atMph * exp((ln(carryM) - a) / b)
}
