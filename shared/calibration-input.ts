import { WITHIN_M, type CalibrationOptions } from '../core/chart/calibration'
import type { PlayerShots } from '../core/chart/grid-fit'
import type { FlagOptions } from '../core/gaps/flags'
import type { Bag } from '../core/bag/bag'
import type { Method } from '../core/shot/shot'
import type { Player, Thresholds } from './player'
import type { RowFigures } from '../core/files/shot-table'
import { toSession, toShot, type SessionRecord, type ShotRecord, type TakenRecord } from './session'

/** A player's thresholds as the flag rules take them. */
export function flagOptions({ widestStepM, closestM }: Thresholds): FlagOptions {
  return {
    step: widestStepM === undefined ? {} : { widestStepM },
    overlap: closestM === undefined ? {} : { closestM },
  }
}

/** The way the newest session measures: the next balls will be measured so. */
export function newestMethod(sessions: readonly SessionRecord[]): Method {
  const newest = sessions.reduce<SessionRecord | null>((last, session) => last && last.startedAtMs > session.startedAtMs ? last : session, null)
  return newest?.method ?? 'monitor'
}

export function calibrationOptions(thresholds: Thresholds, method: Method): CalibrationOptions {
  return { flags: flagOptions(thresholds), withinM: thresholds.withinM ?? WITHIN_M, method, neutralAir: !thresholds.asMeasured }
}

/** How a row of a table was taken, as the record keeps it. */
export function takenOf({ lies, frontM, backM, widthM }: Pick<RowFigures, 'lies' | 'frontM' | 'backM' | 'widthM'>): TakenRecord | null {
  const taken: TakenRecord = { ...(lies && { lies }), ...(frontM !== undefined && { frontM }), ...(backM !== undefined && { backM }), ...(widthM !== undefined && { widthM }) }
  return Object.keys(taken).length === 0 ? null : taken
}

/** A player's record as the numbers are made from it: what was deleted is gone. */
export function playerShots(player: Pick<Player, 'level'>, bag: Bag, sessions: readonly SessionRecord[], shots: readonly ShotRecord[], nowMs: number): PlayerShots {
  return { bag, level: player.level, sessions: sessions.map(toSession), shots: shots.filter(shot => !shot.deleted).map(toShot), nowMs }
}
