import { calledFor, carryOnCurve, type RungCurve } from '#core/chart/between-rungs'
import { callAt, speedFor, type ClubBySpeed } from '#core/chart/speed-lines'
import { mphToMps, mpsToMph } from '#core/units'

/** One club's carry over its speed, however it is known: what the page of speeds and its plot read. */
export interface SpeedCurve {
  clubId: string
  balls: { speedMph: number; carryM: number; rungId: string }[]
  fromMph: number
  toMph: number
  at: (mph: number) => { carryM: number; window80M: [number, number]; perMphM: number }
  /** Null where the club has no speed for it. */
  speedFor: (carryM: number) => number | null
}

/** The line through its balls. */
export function lineCurve(club: ClubBySpeed): SpeedCurve {
  const { clubId, balls, fromMph, toMph } = club
  return {
    clubId,
    balls,
    fromMph,
    toMph,
    at: mph => callAt(club, mph),
    speedFor: carryM => speedFor(club, carryM),
  }
}

/** The curve through the numbers of the chart, where speeds are what is called: the chart and this page are one. */
export function calledCurve(curve: RungCurve, balls: SpeedCurve['balls']): SpeedCurve {
  const [first, last] = [curve.points[0]!, curve.points.at(-1)!]
  return {
    clubId: curve.clubId,
    balls,
    fromMph: mpsToMph(first.value),
    toMph: mpsToMph(last.value),
    at: mph => {
      const speedMs = Math.min(Math.max(mphToMps(mph), first.value), last.value)
      const { carryM, window80M, perOneM } = carryOnCurve(curve, speedMs)!
      return { carryM, window80M, perMphM: perOneM * mphToMps(1) }
    },
    speedFor: carryM => {
      const speedMs = calledFor(curve, carryM)
      return speedMs === null ? null : mpsToMph(speedMs)
    },
  }
}
