import type { Bag } from '../bag/bag'
import { NEUTRAL } from '../flight/air'
import { DELIVERY_LOFT_DEG, straight } from '../flight/deliver'
import { fly } from '../flight/fly'
import { FIRMNESS_MS2, runOutErrorM, runOutM, type Firmness } from '../flight/run-out'
import { solveSpeed } from '../flight/solve-speed'
import { groupBy } from '../group-by'
import { shotErrorM } from '../shot/measuring'
import { newMemo, type Memo } from '../memo'
import { reaching, reachingAll } from './stage'
import type { Session, Shot, ShotAt } from '../shot/shot'

/** To a tenth of a metre: finer than any run is known. */
const STEP_M = 0.1
const ROUNDS = 4
const LEAST_CARRY_M = 1

/**
 * Run of a usual strike that carries so far on flat ground, metres; negative where it spins back, 0 where no such
 * strike is known. Carry and run make the total.
 * @example runAfterM(50, 73.4, 'soft') // => 1.35
 */
export function runAfterM(loftDeg: number, carryM: number, firmness: Firmness): number {
  const solved = solveSpeed(loftDeg, carryM, NEUTRAL)
  if (!solved.ok) return 0
  const flight = fly(straight(loftDeg, solved.ballSpeedMs), NEUTRAL)
  return flight.ok ? runOutM(flight, FIRMNESS_MS2[firmness]) : 0
}

/**
 * How far a ball ran that lies so far away: the run whose carry and it make up the distance.
 * @param lieM to where it lies
 * @example runBeforeM(50, 75, 'soft') // => 1.34
 */
export function runBeforeM(loftDeg: number, lieM: number, firmness: Firmness, memo: Memo = newMemo()): number {
  const at = Math.round(lieM / STEP_M) * STEP_M
  const key = `${loftDeg} ${firmness} ${at.toFixed(1)}`
  return memo.recall('run', key, () => {
    let run = 0
    for (let round = 0; round < ROUNDS; round++) run = runAfterM(loftDeg, Math.max(LEAST_CARRY_M, at - run), firmness)
    return run
  })
}

interface Measured {
  bag: Bag
  sessions: readonly Session[]
  shots: readonly Shot[]
}
type Pitched<T extends object> = Omit<T, 'shots'> & { shots: ShotAt<'pitched'>[] }

/**
 * Distances to where balls lie as distances to where they pitched. The error of the run is that of the ground, so all
 * balls of a session share it. Clubs whose strike is not known stay as they were measured.
 */
export function asPitched<T extends Measured>(record: T, memo: Memo = newMemo()): Pitched<T> {
  if (!record.shots.some(shot => shot.lies)) return { ...record, shots: reachingAll(record.shots) }
  const lofts = new Map(record.bag.clubs.map(club => [club.id, club.loftDeg]))
  const errors = new Map<ShotAt<'pitched'>, number>()
  const shots = record.shots.map((shot): ShotAt<'pitched'> => {
    const { lies, ...rest } = shot
    const loftDeg = lofts.get(shot.clubId) ?? 0
    if (!lies || loftDeg < DELIVERY_LOFT_DEG[0]) return reaching(rest)
    const runM = runBeforeM(loftDeg, shot.carryM, lies, memo)
    // How well it was measured goes by what was measured, not by what is left of it.
    const pitched = reaching<'pitched'>({
      ...rest,
      carryM: Math.max(LEAST_CARRY_M, shot.carryM - runM),
      errorM: shotErrorM(shot),
    })
    errors.set(pitched, runOutErrorM(runM) / pitched.carryM)
    return pitched
  })
  const bySession = groupBy(
    shots.filter(shot => shot.leftOut === null),
    shot => shot.sessionId,
  )
  const sessions = record.sessions.map((session): Session => {
    const own = bySession.get(session.id) ?? []
    const squares = own.reduce((sum, shot) => sum + (errors.get(shot) ?? 0) ** 2, 0)
    return squares === 0
      ? session
      : { ...session, commonSd: Math.hypot(session.commonSd ?? 0, Math.sqrt(squares / own.length)) }
  })
  return { ...record, sessions, shots }
}
