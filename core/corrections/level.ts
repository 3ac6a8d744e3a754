import type { Bag } from '../bag/bag'
import { NEUTRAL } from '../flight/air'
import { DELIVERY_LOFT_DEG } from '../flight/deliver'
import { toLevel } from '../flight/neutral'
import { airAt, todayOfAir, type AirEntry } from '../flight/session-air'
import { carryAirOf } from '../shot/carry-air'
import { groupBy } from '../group-by'
import { cellKey } from '../bag/bag'
import { median } from '../stats/median'
import { aside, unlessRefused } from './set-aside'
import { newMemo, type Memo } from '../memo'
import { reaching, reachingAll } from './stage'
import type { Session, ShotAt } from '../shot/shot'
import type { AirCorrection } from './air-correction'

/**
 * How far the ground between tee and target is from an even rise, and how steeply the ball came down, are not known:
 * a share of what is taken out. Our choice.
 */
const ERROR_SHARE = 0.3
/** Carries and heights are binned for the descent alone: what is taken out goes by each ball's own. */
const CARRY_BIN_M = 2
const LEAST_CARRY_M = 1

/**
 * Metres of carry for each metre of height, of the usual strike with this loft. Null where no such strike comes down
 * there.
 */
function gainOf(
  loftDeg: number,
  carryM: number,
  heightM: number,
  air: AirEntry | undefined,
  memo: Memo,
): number | null {
  const at = Math.max(LEAST_CARRY_M, Math.round(carryM / CARRY_BIN_M) * CARRY_BIN_M)
  const rise = Math.sign(heightM) * Math.max(1, Math.round(Math.abs(heightM)))
  const { fromMs: _, ...rest } = air ?? { fromMs: 0 }
  const key = JSON.stringify([loftDeg, at, rise, rest])
  return memo.recall('gain by height', key, () => {
    const level = unlessRefused(() => toLevel(loftDeg, at, rise, air ? todayOfAir(air) : NEUTRAL))
    return level?.ok ? (level.carryM - at) / rise : null
  })
}

interface Pitched {
  bag: Bag
  sessions: readonly Session[]
  shots: readonly ShotAt<'pitched'>[]
}
type Levelled<T extends object> = Omit<T, 'shots'> & { shots: ShotAt<'level'>[] }

/**
 * Carries to places above or below the tee as carries on level ground, in the air they were hit in. What a device
 * worked out for level ground of its own stays, and so do clubs whose strike is not known. The error is that of the
 * ground, so all balls of a session share it.
 * @returns the record, and what was taken out of sessions without air: with air, its correction tells both
 */
export function onLevel<T extends Pitched>(
  record: T,
  memo: Memo = newMemo(),
): { record: Levelled<T>; corrections: AirCorrection[] } {
  const lofts = new Map(record.bag.clubs.map(club => [club.id, club.loftDeg]))
  const sessionOf = new Map(record.sessions.map(session => [session.id, session]))
  const rises = (shot: ShotAt<'pitched'>) =>
    !!shot.heightM &&
    carryAirOf(shot, sessionOf.get(shot.sessionId)?.carryAir) !== 'calm' &&
    (lofts.get(shot.clubId) ?? 0) >= DELIVERY_LOFT_DEG[0]
  if (!record.shots.some(rises)) return { record: { ...record, shots: reachingAll(record.shots) }, corrections: [] }
  const shots = record.shots.map((shot): ShotAt<'level'> => {
    if (!rises(shot)) return reaching(shot)
    const air = sessionOf.get(shot.sessionId)?.air ?? []
    const gain = gainOf(lofts.get(shot.clubId)!, shot.carryM, shot.heightM!, air[airAt(air, shot.hitAtMs)], memo)
    if (gain === null) return reaching(aside(shot, 'no-flight-there'))
    const levelM = shot.heightM! * gain
    return reaching({ ...shot, carryM: Math.max(LEAST_CARRY_M, shot.carryM + levelM), levelM })
  })
  const bySession = groupBy(
    shots.filter(shot => shot.leftOut === null),
    shot => shot.sessionId,
  )
  const corrections: AirCorrection[] = []
  const sessions = record.sessions.map((session): Session => {
    const own = bySession.get(session.id) ?? []
    const squares = own.reduce((sum, shot) => sum + ((ERROR_SHARE * (shot.levelM ?? 0)) / shot.carryM) ** 2, 0)
    if (squares === 0) return session
    if ((session.air ?? []).length === 0) {
      for (const pile of groupBy(
        own.filter(shot => shot.levelM !== undefined),
        cellKey,
      ).values()) {
        const { clubId, rungId } = pile[0]!
        const [neutralM, levelM] = [median(pile.map(shot => shot.carryM)), median(pile.map(shot => shot.levelM!))]
        corrections.push({
          sessionId: session.id,
          clubId,
          rungId,
          fromMs: session.startedAtMs,
          measuredM: neutralM - levelM,
          neutralM,
          sdM: ERROR_SHARE * Math.abs(levelM),
          headMs: 0,
          rightMs: 0,
          heightM: median(pile.map(shot => shot.heightM!)),
          still: true,
        })
      }
    }
    return { ...session, commonSd: Math.hypot(session.commonSd ?? 0, Math.sqrt(squares / own.length)) }
  })
  return { record: { ...record, sessions, shots }, corrections }
}
