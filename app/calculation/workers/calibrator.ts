import { calibrate } from '#core/calibration/calibrate'
import { foldEarlier, type Kept } from '#core/chart/grid-fit'
import { dayOf } from '#core/shot/player-shots'
import { newMemo } from '#core/memo'
import type { Shot } from '#core/shot/shot'
import type { CalibrationAnswer, CalibrationAsk } from './calibration-protocol'

/** From so many shots on, a ball is first answered by the live rule, and by the full one when the range is quiet. */
export const FOLD_FROM_SHOTS = 600
export const QUIET_MS = 400

/** All that the folded sessions rest on, but for the shots. Only the day of the moment matters. */
function settingsOf({ player: { bag, level, changes, sessions, nowMs }, options }: CalibrationAsk): string {
  return JSON.stringify([bag, level, changes, sessions, dayOf(nowMs), options.neutralAir])
}

/** Holds a player's shots and answers each change to them; a failure is an answer too, never silence. */
export function makeCalibrator(post: (answer: CalibrationAnswer) => void): (ask: CalibrationAsk) => void {
  const shots = new Map<string, Shot>()
  const memo = newMemo()
  let kept: { earlier: Kept; settings: string } | undefined
  let timer: ReturnType<typeof setTimeout> | undefined

  function answer(ask: CalibrationAsk, earlier: Kept | undefined): void {
    const { turn, player, options } = ask
    const {
      grid,
      player: used,
      ...calibration
    } = calibrate({ ...player, shots: [...shots.values()] }, options, earlier, memo)
    post({ turn, full: !earlier, calibration })
    if (earlier) return
    // One more ball of either kind changes what all range balls lose, those of earlier sessions too.
    const folded = shots.size < FOLD_FROM_SHOTS || calibration.rangeBalls ? null : foldEarlier(used, grid)
    kept = folded ? { earlier: folded, settings: settingsOf(ask) } : undefined
  }

  /** Takes the changes in. @returns the sessions they touch */
  function change({ anew, put, gone }: CalibrationAsk): Set<string> {
    if (anew) shots.clear()
    const touched = new Set<string>()
    for (const id of gone) {
      const shot = shots.get(id)
      if (shot) touched.add(shot.sessionId)
      shots.delete(id)
    }
    for (const shot of put) {
      touched.add(shot.sessionId).add(shots.get(shot.id)?.sessionId ?? shot.sessionId)
      shots.set(shot.id, shot)
    }
    return touched
  }

  function tell(turn: number, work: () => void): void {
    try {
      work()
    } catch (error) {
      console.error('calibration:', error)
      post({ turn, failure: (error as Error).message })
    }
  }

  return ask =>
    tell(ask.turn, () => {
      clearTimeout(timer)
      const touched = change(ask)
      const live =
        !ask.anew && kept?.settings === settingsOf(ask) && [...touched].every(id => id === kept!.earlier.live)
          ? kept.earlier
          : undefined
      answer(ask, live)
      if (live) timer = setTimeout(() => tell(ask.turn, () => answer(ask, undefined)), QUIET_MS)
    })
}
