import { cellKey, type Bag, type StockShot } from '../bag/bag'
import { groupBy } from '../group-by'
import { fitCleanLine, type SpeedBall } from '../model/club-speed'
import { shotErrorM } from '../shot/measuring'
import { counting, type AnyShot, type ShotAt } from '../shot/shot'
import { ln, pow } from '../stats/exact'
import { rungSpeedMs } from '../swing/called-speed'
import { mpsToMph } from '../units'
import { reaching, reachingAll } from './stage'

/** A stock shot whose balls were taken to the speed that it calls. */
export interface SpeedCall extends StockShot {
  calledMs: number
  /** Carry grows with this power of the club's speed: of the club's own balls, pulled to what is usual. */
  power: number
  /** Balls whose speed was read. */
  balls: number
}

/** A ball as its club's line takes it; null without a club speed, or where nothing is left of its carry. */
export function speedBallOf(shot: AnyShot): SpeedBall | null {
  const speedMs = shot.readings?.clubSpeedMs
  if (speedMs === undefined || shot.carryM <= 0) return null
  return { speedMph: mpsToMph(speedMs), carryM: shot.carryM, measSdM: shotErrorM(shot) }
}

/** Fewer clean balls leave the first line. */
const LEAST_CLEAN = 5

/**
 * Where a stock shot calls a club speed, its number is the carry at that speed: each ball whose speed was read is slid
 * along its club's curve to the call, by what it was too fast or too slow. What the curve is not known by becomes part
 * of that ball's error. A ball without a speed stays as it was hit.
 */
export function atCalledSpeed(
  bag: Bag,
  shots: readonly ShotAt<'still'>[],
): { shots: ShotAt<'called'>[]; calls: SpeedCall[] } {
  const called = new Map(
    bag.scale.rungs.flatMap(rung => {
      const speedMs = rungSpeedMs(rung, bag.scale.school)
      return speedMs === undefined ? [] : [[rung.id, speedMs] as const]
    }),
  )
  if (called.size === 0) return { shots: reachingAll(shots), calls: [] }
  const lines = new Map(
    [...groupBy(counting(shots), shot => shot.clubId)].map(([clubId, own]) => [
      clubId,
      fitCleanLine(
        own.flatMap(shot => speedBallOf(shot) ?? []),
        LEAST_CLEAN,
      ),
    ]),
  )
  const calls = new Map<string, SpeedCall>()
  const moved = shots.map((shot): ShotAt<'called'> => {
    const calledMs = called.get(shot.rungId)
    const speedMs = shot.readings?.clubSpeedMs
    const line = lines.get(shot.clubId)
    if (calledMs === undefined || speedMs === undefined || !line) return reaching(shot)
    const { clubId, rungId } = shot
    const call = calls.get(cellKey(shot)) ?? { clubId, rungId, calledMs, power: line.b, balls: 0 }
    calls.set(cellKey(shot), call)
    if (shot.leftOut === null) call.balls += shot.balls
    const carryM = shot.carryM * pow(calledMs / speedMs, line.b)
    const curveSd = carryM * Math.sqrt(line.covariance[2]) * Math.abs(ln(calledMs / speedMs))
    return reaching({ ...shot, carryM, errorM: Math.hypot(shotErrorM(shot), curveSd) })
  })
  return { shots: moved, calls: [...calls.values()] }
}

/**
 * How far a ball was off the called speed, m/s, and what that cost it, metres; above 0 is too fast and too far.
 * @example missOfSpeed(80, 31.85, { calledMs: 30.85, power: 1.5 }) // => { offMs: 1, costM: 3.74 }
 */
export function missOfSpeed(
  carryM: number,
  speedMs: number,
  { calledMs, power }: Pick<SpeedCall, 'calledMs' | 'power'>,
): { offMs: number; costM: number } {
  return { offMs: speedMs - calledMs, costM: carryM - carryM * pow(calledMs / speedMs, power) }
}
