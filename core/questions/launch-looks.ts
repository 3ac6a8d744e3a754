import { cellKey, type Bag } from '../bag/bag'
import { deliver } from '../flight/deliver'
import { groupBy } from '../group-by'
import { newMemo, type Memo } from '../memo'
import { strikeLook, usualStrike, type LaunchRecord, type StrikeLook } from '../shot/strike-screens'
import type { ShotAt } from '../shot/shot'
import type { BadKind } from '../model/kinds'
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
  return found
}
