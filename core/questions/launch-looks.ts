import { cellKey, type Bag } from '../bag/bag'
import { NEUTRAL } from '../flight/air'
import { DELIVERY_LOFT_DEG, deliver } from '../flight/deliver'
import { solveSpeed } from '../flight/solve-speed'
import { groupBy } from '../group-by'
import { newMemo, type Memo } from '../memo'
import { FLIGHT_LIMITS, strikeLook, usualStrike, type LaunchRecord, type StrikeLook } from '../shot/strike-screens'
import type { ShotAt } from '../shot/shot'
import type { BadKind } from '../model/kinds'
import { median } from '../stats/median'
import { neutralFlight } from '../corrections/own-flight'

/** What a ball's launch shows that is no good strike, with the figures it was told from. */
export interface LaunchLook {
  look: Exclude<StrikeLook, 'good'>
  spinRpm: number
  /** Usual spin at this ball's speed. */
  usualSpinRpm: number
  launchDeg: number
  usualLaunchDeg: number
  speedMs: number
  /** Usual ball speed; null where nothing is known of the player's own. */
  usualSpeedMs: number | null
  /** Whose usual: the player's with this stock shot, or that of the loft. */
  own: boolean
}

/** What the model takes a look for. */
export const FAULT_OF_LOOK: Record<LaunchLook['look'], BadKind> = {
  heavy: 'mishit',
  thin: 'mishit',
  flyer: 'flyer',
  misread: 'misread',
}

/** Spin over what is usual: beyond it a reading cannot be, under it it was a flyer's. As for whole launches. */
const SPIN_ALONE = { cannotBe: FLIGHT_LIMITS.spinShare, flyer: 0.62, flyerIfLonger: 0.75, longer: 1.035 } as const
const LEAST_GOOD = 4

/** Spin that is usual for a ball of this loft that carries so far; null where no strike does. */
function usualSpinRpm(loftDeg: number, carryM: number, memo: Memo): { spinRpm: number; speedMs: number } | null {
  const at = Math.max(1, Math.round(carryM))
  return memo.recall('usual spin', `${loftDeg} ${at}`, () => {
    const solved = solveSpeed(loftDeg, at, NEUTRAL)
    return solved.ok ? { spinRpm: deliver(loftDeg, solved.ballSpeedMs).spinRpm, speedMs: solved.ballSpeedMs } : null
  })
}

/**
 * Balls of which spin and carry are known and no whole launch: held against the player's own of this stock shot, from
 * four on, else against what is usual for loft and carry.
 */
function spinLooks(pile: readonly ShotAt<'still'>[], loftDeg: number, memo: Memo): Map<string, LaunchLook> {
  const found = new Map<string, LaunchLook>()
  if (loftDeg < DELIVERY_LOFT_DEG[0] || loftDeg > DELIVERY_LOFT_DEG[1]) return found
  const good = pile.filter(shot => shot.strike === null || shot.strike === 'clean')
  const own = good.length >= LEAST_GOOD
  const ownSpin = own ? median(good.map(shot => shot.readings!.spinRpm!)) : 0
  const ownCarry = own ? median(good.map(shot => shot.carryM)) : 0
  for (const shot of pile) {
    const spinRpm = shot.readings!.spinRpm!
    const loft = usualSpinRpm(loftDeg, shot.carryM, memo)
    if (!loft) continue
    const usual = own ? ownSpin : loft.spinRpm
    const share = spinRpm / usual
    const [least, most] = SPIN_ALONE.cannotBe
    const isLonger = own && shot.carryM > SPIN_ALONE.longer * ownCarry
    const isFlyer = share < SPIN_ALONE.flyer || (isLonger && share < SPIN_ALONE.flyerIfLonger)
    const look = share < least || share > most ? 'misread' : isFlyer ? 'flyer' : null
    if (!look) continue
    const { launchDeg } = deliver(loftDeg, loft.speedMs)
    found.set(shot.id, {
      look,
      own,
      spinRpm,
      usualSpinRpm: usual,
      launchDeg,
      usualLaunchDeg: launchDeg,
      speedMs: loft.speedMs,
      usualSpeedMs: null,
    })
  }
  return found
}

function recordOf(shot: ShotAt<'still'>, memo: Memo): LaunchRecord | null {
  const seen = neutralFlight(shot.readings, memo)
  if (!seen) return null
  const { clubSpeedMs } = shot.readings!
  return {
    launch: seen.launch,
    carryM: shot.carryM,
    ...(seen.landing && { flownM: seen.landing.carryM }),
    ...(clubSpeedMs !== undefined && { clubSpeedMs }),
  }
}

/**
 * Counting balls whose launch shows a poor strike, a flyer or a misread, by shot id.
 * @param shots in neutral air
 */
export function launchLooks(
  bag: Bag,
  shots: readonly ShotAt<'still'>[],
  memo: Memo = newMemo(),
): Map<string, LaunchLook> {
  const lofts = new Map(bag.clubs.map(club => [club.id, club.loftDeg]))
  const found = new Map<string, LaunchLook>()
  const seen = shots.filter(shot => shot.leftOut === null && shot.readings && neutralFlight(shot.readings, memo))
  for (const pile of groupBy(seen, cellKey).values()) {
    const loftDeg = lofts.get(pile[0]!.clubId)
    if (loftDeg === undefined) continue
    const records = pile.map(shot => recordOf(shot, memo)!)
    const usual = usualStrike(records.filter((_, i) => pile[i]!.strike === null || pile[i]!.strike === 'clean'))
    pile.forEach((shot, i) => {
      const { launch } = records[i]!
      const { look, own } = strikeLook(records[i]!, loftDeg, usual)
      if (look === 'good') return
      const model = deliver(loftDeg, launch.speedMs)
      found.set(shot.id, {
        look,
        own,
        spinRpm: launch.spinRpm,
        launchDeg: launch.launchDeg,
        speedMs: launch.speedMs,
        usualSpeedMs: usual?.speedMs ?? null,
        usualSpinRpm: usual ? (usual.spinRpm / usual.speedMs) * launch.speedMs : model.spinRpm,
        usualLaunchDeg: usual?.launchDeg ?? model.launchDeg,
      })
    })
  }
  const whole = new Set(seen.map(shot => shot.id))
  const spun = shots.filter(
    ({ id, leftOut, readings }) => leftOut === null && readings?.spinRpm !== undefined && !whole.has(id),
  )
  for (const pile of groupBy(spun, cellKey).values()) {
    const loftDeg = lofts.get(pile[0]!.clubId)
    if (loftDeg !== undefined) for (const [id, look] of spinLooks(pile, loftDeg, memo)) found.set(id, look)
  }
  return found
}
