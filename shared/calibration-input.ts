import { WITHIN_M, type CalibrationOptions } from '../core/calibration/calibration'
import type { PlayerShots } from '../core/shot/player-shots'
import type { CellRemark } from '../core/history/coach-remarks'
import type { PublishedNumbers } from '../core/history/published-numbers'
import { THRESHOLD_NAMES, type FlagOptions } from '../core/gaps/flag'
import type { PracticeLeave } from '../core/chart/practice-scatter'
import type { Bag } from '../core/bag/bag'
import type { DistanceUnit } from '../core/units'
import type { Method } from '../core/shot/shot'
import type { AcademyThresholds, Thresholds } from './schemas/player'
import type { Player } from './player'
import type { RowFigures } from '../core/files/shot-table'
import { toSession, toShot } from './session'
import type { SessionRecord, ShotRecord, TakenRecord } from './schemas/session'

/** The way the newest session measures: the next balls will be measured so. */
export function newestMethod(sessions: readonly SessionRecord[]): Method {
  const newest = sessions.reduce<SessionRecord | null>(
    (last, session) => (last && last.startedAtMs > session.startedAtMs ? last : session),
    null,
  )
  return newest?.method ?? 'monitor'
}

/** What numbers are held against beside the balls. */
export interface Beside {
  academyThresholds?: AcademyThresholds
  words?: readonly CellRemark[]
  published?: PublishedNumbers | null
  unit?: DistanceUnit
  practice?: readonly PracticeLeave[]
  /** Distances that rounds asked for, metres. */
  asked?: readonly number[]
}

/** The flags' figures that hold for a player: their own, else the academy's; the rules know what is usual. */
export function flagOptions(thresholds: Thresholds, academy: AcademyThresholds = {}): FlagOptions {
  const held = { ...academy, ...thresholds }
  return Object.fromEntries(THRESHOLD_NAMES.flatMap(name => (held[name] === undefined ? [] : [[name, held[name]]])))
}

export function calibrationOptions(
  thresholds: Thresholds,
  method: Method,
  { academyThresholds = {}, words, published, unit, practice, asked }: Beside = {},
): CalibrationOptions {
  return {
    flags: flagOptions(thresholds, academyThresholds),
    withinM: thresholds.withinM ?? academyThresholds.withinM ?? WITHIN_M,
    method,
    neutralAir: !thresholds.asMeasured,
    ...(thresholds.measuredOnly && { measuredOnly: true }),
    ...(thresholds.asBalls && { asBalls: true }),
    ...(thresholds.totalOn && { totalOn: thresholds.totalOn }),
    ...(thresholds.aimedStraight && { aimedStraight: true }),
    ...(words && { words }),
    ...(published && { published }),
    ...(unit === 'm' && { unit }),
    ...(practice && practice.length > 0 && { practice }),
    ...(asked && asked.length > 0 && { asked, ...(thresholds.alikeNeed && { alikeNeed: true }) }),
  }
}

/** How a row of a table was taken, as the record keeps it. */
export function takenOf({
  lies,
  heightM,
  askedRungId,
  frontM,
  backM,
  widthM,
  said,
}: Pick<RowFigures, 'lies' | 'heightM' | 'frontM' | 'backM' | 'widthM' | 'said'> &
  Pick<TakenRecord, 'askedRungId'>): TakenRecord | null {
  const taken: TakenRecord = {
    ...(lies && { lies }),
    ...(heightM && { heightM }),
    ...(askedRungId && { askedRungId }),
    ...(frontM !== undefined && { frontM }),
    ...(backM !== undefined && { backM }),
    ...(widthM !== undefined && { widthM }),
    ...said,
  }
  return Object.keys(taken).length === 0 ? null : taken
}

/** What of a player's settings the numbers rest on. */
export function playerFacts({
  level,
  thresholds,
}: Pick<Player, 'level'> & Partial<Pick<Player, 'thresholds'>>): Pick<PlayerShots, 'level' | 'changes'> {
  const changes = thresholds?.changes ?? []
  return { level, ...(changes.length > 0 && { changes }) }
}

/** A player's record as the numbers are made from it: what was deleted is gone. */
export function playerShots(
  player: Pick<Player, 'level'> & Partial<Pick<Player, 'thresholds'>>,
  bag: Bag,
  sessions: readonly SessionRecord[],
  shots: readonly ShotRecord[],
  nowMs: number,
): PlayerShots {
  return {
    bag,
    ...playerFacts(player),
    sessions: sessions.map(toSession),
    shots: shots.filter(shot => !shot.deleted).map(toShot),
    nowMs,
  }
}
