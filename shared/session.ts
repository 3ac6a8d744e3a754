import type { Session, Shot } from '../core/shot/shot'
import type { SessionRecord, ShotRecord } from './schemas/session'

/** Why a ball of the warm-up does not count. */
export const WARM_UP = 'warm-up'

/** A ball as it is logged first: one, nothing said of it yet but what is given. */
export const newShot = (
  shot: Pick<ShotRecord, 'id' | 'sessionId' | 'clubId' | 'rungId' | 'carryM' | 'method' | 'hitAtMs'> &
    Partial<ShotRecord>,
): ShotRecord => ({
  balls: 1,
  leftOut: null,
  strike: null,
  readings: null,
  taken: null,
  deleted: false,
  version: 1,
  ...shot,
})

/** A record as the core reads it. */
export function toShot(record: ShotRecord): Shot {
  const { id, sessionId, clubId, rungId, carryM, method, balls, hitAtMs, leftOut, strike, readings, taken } = record
  const shot: Shot = { id, sessionId, clubId, rungId, carryM, method, balls, hitAtMs, leftOut, strike }
  if (taken?.lies) shot.lies = taken.lies
  if (taken?.called?.plusM) shot.plusM = taken.called.plusM
  if (taken?.heightM) shot.heightM = taken.heightM
  if (taken?.errorM !== undefined) shot.errorM = taken.errorM
  if (taken?.frontM !== undefined && taken.backM !== undefined) shot.extentM = Math.abs(taken.backM - taken.frontM)
  return readings ? { ...shot, readings, ...(readings.sideM !== undefined && { sideM: readings.sideM }) } : shot
}

/** Indoors no air of the day has touched the ball. */
export function toSession({ id, startedAtMs, method, ball, air, plan }: SessionRecord): Session {
  const { indoors, carryAir } = plan
  return { id, startedAtMs, method, ball, air: indoors ? [] : air, ...(carryAir !== 'flown' && { carryAir }) }
}
