import { cellKey } from '../bag/bag'
import { windParts } from '../flight/air'
import { DELIVERY_LOFT_DEG, USUAL_STRIKE, type OwnStrike } from '../flight/deliver'
import { correct, correctedCarryM, type Corrected } from '../flight/neutral'
import { airAt, todayOfAir, type AirEntry } from '../flight/session-air'
import { median } from '../stats/median'
import { newMemo, type Memo } from '../memo'
import { reaching, reachingAll } from './stage'
import { carryAirOf, type CarryAir } from '../shot/carry-air'
import type { AnyShot, Session, ShotAt, Stage } from '../shot/shot'
import type { AirCorrection } from './air-correction'
import type { PlayerShotsAt } from '../shot/player-shots'
import { aside, unlessRefused } from './set-aside'
import { byOwnFlight, ownStrikes } from './own-flight'

/** Lofts under this are not in the delivery: such a club's shots stay as they were measured. */
const LEAST_LOFT_DEG = DELIVERY_LOFT_DEG[0]
/** A ball far short of its pile is not taken back through the tee. */
const LEAST_CARRY_M = 0.5

/** What a stock shot's strike is known from: each ball's own launch, the player's usual one, or its carries alone. */
interface StrikeKnown {
  from: 'launch' | 'own' | 'unknown'
  own: OwnStrike
}

function correctionOf(
  loftDeg: number,
  middleM: number,
  air: AirEntry,
  strike: StrikeKnown,
  memo: Memo,
): Corrected | null {
  const { fromMs: _, ...rest } = air
  const key = JSON.stringify([loftDeg, middleM, rest, strike])
  // The same loft, middle and air have the same correction, and each costs nine searches.
  return memo.recall('correction', key, () =>
    unlessRefused(() => correct(loftDeg, middleM, todayOfAir(air), strike.from, strike.own)),
  )
}

export interface StillShots<S extends Stage = 'still'> {
  sessions: Session[]
  shots: ShotAt<S>[]
  corrections: AirCorrection[]
}

interface AirGroup {
  session: Session
  at: number
  cells: Map<string, ShotAt<'level'>[]>
}

/**
 * Shots that can be corrected, by session and air, then by stock shot; and the rest, which stay as they were
 * measured.
 */
function byAir(
  lofts: ReadonlyMap<string, number>,
  sessions: readonly Session[],
  shots: readonly ShotAt<'level'>[],
): { groups: Map<string, AirGroup>; rest: ShotAt<'level'>[] } {
  const withAir = new Map(
    sessions.filter(session => session.air && session.air.length > 0).map(session => [session.id, session]),
  )
  const groups = new Map<string, AirGroup>()
  const rest: ShotAt<'level'>[] = []
  for (const shot of shots) {
    const session = withAir.get(shot.sessionId)
    if (!session || !((lofts.get(shot.clubId) ?? 0) >= LEAST_LOFT_DEG)) {
      rest.push(shot)
      continue
    }
    const at = airAt(session.air!, shot.hitAtMs)
    const id = at === 0 ? session.id : `${session.id} air ${at}`
    const group = groups.get(id) ?? { session, at, cells: new Map<string, ShotAt<'level'>[]>() }
    groups.set(id, group)
    const key = cellKey(shot)
    const list = group.cells.get(key)
    if (list) list.push(shot)
    else group.cells.set(key, [shot])
  }
  return { groups, rest }
}

/**
 * One stock shot's balls of one air: those a device worked out in still air stay, full launches fly by themselves,
 * the rest go with their middle.
 */
function correctPile(
  loftDeg: number,
  list: readonly ShotAt<'level'>[],
  air: AirEntry,
  own: OwnStrike | null,
  carryAir: CarryAir,
  memo: Memo,
) {
  const isCalm = (shot: ShotAt<'level'>) => carryAirOf(shot, carryAir) === 'calm'
  const flown = list.filter(shot => !isCalm(shot))
  if (flown.length === 0) return null
  const counting = flown.filter(shot => shot.leftOut === null)
  const middleM = median((counting.length > 0 ? counting : flown).map(shot => shot.carryM))
  const seen = new Map(flown.map(shot => [shot, unlessRefused(() => byOwnFlight(shot, loftDeg, air, memo))]))
  const from = (counting.length > 0 ? counting : flown).every(shot => seen.get(shot))
    ? 'launch'
    : own
      ? 'own'
      : 'unknown'
  const strike: StrikeKnown = { from, own: own ?? USUAL_STRIKE }
  const found = correctionOf(loftDeg, middleM, air, strike, memo)
  const moved = (shot: ShotAt<'level'>): ShotAt<'still'> => {
    const basis = carryAirOf(shot, carryAir)
    if (basis === 'calm') return reaching(shot)
    if (!found) return reaching(aside(shot, 'too-windy'))
    if (basis === 'unknown') return reaching(shot)
    const itself = seen.get(shot)
    const carryM = itself ? itself.carryM : correctedCarryM(shot.carryM, middleM, found)
    const sideM = itself?.sideM ?? (shot.sideM === undefined ? undefined : shot.sideM - found.driftM)
    return reaching({ ...shot, carryM: Math.max(LEAST_CARRY_M, carryM), ...(sideM !== undefined && { sideM }) })
  }
  const shots = list.map(moved)
  // By their own flights the middle is theirs, not that of a usual strike.
  const theirs = shots.filter((shot, i) => shot.leftOut === null && list[i]!.leftOut === null && !isCalm(list[i]!))
  // Nobody knows whether the air is in it: what is read stays, and the doubt spans both.
  const unknown = flown.some(shot => carryAirOf(shot, carryAir) === 'unknown')
  const neutralM =
    found && (from === 'launch' || unknown) && theirs.length > 0
      ? median(theirs.map(shot => shot.carryM))
      : (found?.neutralM ?? null)
  const rise = (of: (shot: AnyShot) => number | undefined) =>
    median((counting.length > 0 ? counting : flown).map(shot => of(shot) ?? 0))
  return {
    shots,
    middleM,
    levelM: rise(shot => shot.levelM),
    heightM: rise(shot => shot.heightM),
    neutralM,
    sdM: found ? Math.hypot(found.sdM, unknown ? (middleM - found.neutralM) / 2 : 0) : 0,
    balls: found ? counting.length : 0,
  }
}

/**
 * A player's shots in neutral air, stock shot by stock shot. A session whose air changed becomes one for each air,
 * since each has an error of its own that all its balls share: thirty balls in one guessed wind do not look certain.
 * Sessions without air stay as they were measured, and so do carries that a device worked out in still air of its own.
 */
export function inNeutralAir(
  { bag, sessions, shots }: Pick<PlayerShotsAt<'level'>, 'bag' | 'sessions' | 'shots'>,
  memo: Memo = newMemo(),
): StillShots {
  const lofts = new Map(bag.clubs.map(club => [club.id, club.loftDeg]))
  const { groups, rest } = byAir(lofts, sessions, shots)
  if (groups.size === 0) return { sessions: [...sessions], shots: reachingAll(shots), corrections: [] }
  const ownStrike = ownStrikes(lofts, shots, memo)

  // A session stays under its own id too when none of its shots is corrected: longer clubs are in it as they were
  // measured.
  const out: StillShots = {
    sessions: sessions.filter(session => !groups.has(session.id)),
    shots: reachingAll(rest),
    corrections: [],
  }
  for (const [id, { session, at, cells }] of groups) {
    const air = session.air![at]!
    const { headMs, rightMs } = windParts(air.wind)
    let squares = 0
    let balls = 0
    for (const list of cells.values()) {
      const { clubId, rungId } = list[0]!
      const pile = correctPile(
        lofts.get(clubId)!,
        list,
        air,
        ownStrike({ clubId, rungId }),
        session.carryAir ?? 'flown',
        memo,
      )
      if (pile) {
        const { middleM, levelM, heightM, neutralM, sdM } = pile
        out.corrections.push({
          sessionId: session.id,
          clubId,
          rungId,
          fromMs: air.fromMs,
          measuredM: middleM - levelM,
          neutralM,
          sdM,
          headMs,
          rightMs,
          ...(heightM !== 0 && { heightM }),
        })
        if (neutralM !== null) squares += pile.balls * (sdM / neutralM) ** 2
      }
      // A carry worked out in still air shares in no error of today's.
      balls += pile && pile.neutralM === null ? 0 : list.filter(shot => shot.leftOut === null).length
      out.shots.push(...(pile?.shots ?? reachingAll<'still'>(list)).map(shot => ({ ...shot, sessionId: id })))
    }
    out.sessions.push({
      ...session,
      id,
      ...(balls > 0 && squares > 0 && { commonSd: Math.hypot(session.commonSd ?? 0, Math.sqrt(squares / balls)) }),
    })
  }
  return out
}

/** The shots as they were measured, when the correction is switched off. */
export function asMeasured({ sessions, shots }: Pick<PlayerShotsAt<'pitched'>, 'sessions' | 'shots'>): StillShots {
  return { sessions: [...sessions], shots: reachingAll(shots), corrections: [] }
}
