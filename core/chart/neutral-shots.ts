import { cellKey } from '../bag/bag'
import { windParts } from '../flight/air'
import { DELIVERY_LOFT_DEG } from '../flight/deliver'
import { correct, correctedCarryM, type Corrected } from '../flight/neutral'
import { airAt, todayOfAir, type AirEntry } from '../flight/session-air'
import { median } from '../median'
import type { Session, Shot } from '../shot/shot'
import type { AirCorrection } from './corrections'
import type { PlayerShots } from './grid-fit'

/** Why a ball does not count that was hit into too much wind. */
export const TOO_WINDY = 'wind too strong to count'

/** Lofts under this are not in the delivery: such a club's shots stay as they were measured. */
const LEAST_LOFT_DEG = DELIVERY_LOFT_DEG[0]
/** A ball far short of its pile is not taken back through the tee. */
const LEAST_CARRY_M = 0.5

/** Corrections worked out before: the same loft, middle and air have the same one, and each costs nine searches. */
const known = new Map<string, Corrected | null>()
const MOST_KNOWN = 5000

/**
 * To a millionth: finer than the flight is known by far, and coarser than the last figures of sines and powers, in which
 * one engine differs from another. So the browser and the server come to the same chart, to the byte.
 */
const fine = (value: number) => Math.round(value * 1e6) / 1e6
const rounded = (found: Corrected | null): Corrected | null =>
  found && { neutralM: fine(found.neutralM), sdM: fine(found.sdM), slope: fine(found.slope) }

function correctionOf(loftDeg: number, middleM: number, air: AirEntry): Corrected | null {
  const { fromMs: _, ...rest } = air
  const key = JSON.stringify([loftDeg, middleM, rest])
  let found = known.get(key)
  if (found === undefined) {
    found = rounded(correct(loftDeg, middleM, todayOfAir(air)))
    if (known.size >= MOST_KNOWN) known.clear()
    known.set(key, found)
  }
  return found
}

export interface NeutralShots {
  sessions: Session[]
  shots: Shot[]
  corrections: AirCorrection[]
}

/**
 * A player's shots in neutral air, stock shot by stock shot. A session whose air changed becomes one for each air, since
 * each has an error of its own that all its balls share: thirty balls in one guessed wind do not look certain.
 * Sessions without air stay as they were measured.
 */
export function inNeutralAir({ bag, sessions, shots }: Pick<PlayerShots, 'bag' | 'sessions' | 'shots'>): NeutralShots {
  const lofts = new Map(bag.clubs.map(club => [club.id, club.loftDeg]))
  const withAir = new Map(sessions.filter(session => session.air && session.air.length > 0).map(session => [session.id, session]))
  if (withAir.size === 0) return { sessions: [...sessions], shots: [...shots], corrections: [] }

  const groups = new Map<string, { session: Session, at: number, cells: Map<string, Shot[]> }>()
  const rest: Shot[] = []
  for (const shot of shots) {
    const session = withAir.get(shot.sessionId)
    if (!session || !((lofts.get(shot.clubId) ?? 0) >= LEAST_LOFT_DEG)) {
      rest.push(shot)
      continue
    }
    const at = airAt(session.air!, shot.hitAtMs)
    const id = at === 0 ? session.id : `${session.id} air ${at}`
    const group = groups.get(id) ?? { session, at, cells: new Map<string, Shot[]>() }
    groups.set(id, group)
    const key = cellKey(shot)
    const list = group.cells.get(key)
    if (list) list.push(shot)
    else group.cells.set(key, [shot])
  }

  // A session stays under its own id too when none of its shots is corrected: longer clubs are in it as they were measured.
  const out: NeutralShots = { sessions: sessions.filter(session => !groups.has(session.id)), shots: rest, corrections: [] }
  for (const [id, { session, at, cells }] of groups) {
    const air = session.air![at]!
    let squares = 0
    let balls = 0
    for (const list of cells.values()) {
      const counting = list.filter(shot => shot.leftOut === null)
      const middleM = median((counting.length > 0 ? counting : list).map(shot => shot.carryM))
      const found = correctionOf(lofts.get(list[0]!.clubId)!, middleM, air)
      const { headMs, rightMs } = windParts(air.wind)
      out.corrections.push({
        sessionId: session.id, clubId: list[0]!.clubId, rungId: list[0]!.rungId, fromMs: air.fromMs,
        measuredM: middleM, neutralM: found?.neutralM ?? null, sdM: found?.sdM ?? 0, headMs: fine(headMs), rightMs: fine(rightMs),
      })
      if (found) {
        squares += counting.length * (found.sdM / found.neutralM) ** 2
        balls += counting.length
      }
      for (const shot of list) {
        out.shots.push({
          ...shot, sessionId: id,
          ...(found ? { carryM: Math.max(LEAST_CARRY_M, correctedCarryM(shot.carryM, middleM, found)) } : { leftOut: shot.leftOut ?? TOO_WINDY }),
        })
      }
    }
    out.sessions.push({ ...session, id, ...(balls > 0 && { airSd: Math.sqrt(squares / balls) }) })
  }
  return out
}

/** The shots as they were measured, when the correction is switched off. */
export function asMeasured({ sessions, shots }: Pick<PlayerShots, 'sessions' | 'shots'>): NeutralShots {
  return { sessions: [...sessions], shots: [...shots], corrections: [] }
}
