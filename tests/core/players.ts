import type { Bag } from '../../core/bag/bag'
import { calibrate } from '../../core/calibration/calibrate'
import { USUAL_OPTIONS, type CalibrationOptions } from '../../core/calibration/calibration'
import type { PlayerShotsAt } from '../../core/shot/player-shots'
import type { ShotAt } from '../../core/shot/shot'
import type { SchoolId } from '../../core/swing/schools'
import { yardsToMetres } from '../../core/units'

/** Made up, at whatever stage a test needs it. */
export type AnyStageShot = ShotAt<never>

/** A bag for a test: labels are ids. */
export function bagOf(
  lofts: Record<string, number>,
  swings: string[],
  school: SchoolId = 'clock',
  struckOut: [string, string][] = [],
): Bag {
  return {
    clubs: Object.entries(lofts).map(([label, loftDeg]) => ({ id: label, label, name: '', loftDeg, retired: false })),
    scale: { school, rungs: swings.map(label => ({ id: label, label, cue: '', flight: 'normal', retired: false })) },
    struckOut: struckOut.map(([clubId, rungId]) => ({ clubId, rungId })),
  }
}

export const DAY_MS = Date.UTC(2026, 4, 4)

/** Balls of one stock shot, carries in yards, a minute apart. */
export function balls(
  club: string,
  swing: string,
  carriesYd: number[],
  more: Partial<AnyStageShot> = {},
): AnyStageShot[] {
  return carriesYd.map((yd, i) => ({
    id: `${club} ${swing} ${i} ${more.leftOut ?? ''}`,
    sessionId: 's',
    clubId: club,
    rungId: swing,
    carryM: yardsToMetres(yd),
    method: 'monitor',
    balls: 1,
    hitAtMs: DAY_MS + i * 60_000,
    leftOut: null,
    strike: null,
    ...more,
  }))
}

/** Ten balls about a number, as a good player scatters: their mean and their middle are the number. */
export function tenBalls(club: string, swing: string, yd: number): AnyStageShot[] {
  return balls(
    club,
    swing,
    [-3, -2, -1.5, -1, -0.5, 0.5, 1, 1.5, 2, 3].map(off => yd + off),
  )
}

/** What these balls say, looked at on the day they were hit. */
export function calibrated(
  bag: Bag,
  shots: AnyStageShot[],
  more: Partial<PlayerShotsAt<never>> = {},
  options: CalibrationOptions = USUAL_OPTIONS,
) {
  return calibrate({ bag, shots, sessions: [], level: 'unknown', nowMs: DAY_MS, ...more }, options)
}
