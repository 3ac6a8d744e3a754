import type { Ready } from '../core/calibration/calibration'
import { NO_BAG, STAGES } from './en/stages'
import { write } from './message'

/** Where each stage stands while the bag is empty. */
export const noBagTexts: Record<'bag' | 'session' | 'chart' | 'gaps', string> = NO_BAG

export function bagStateText(clubs: number, school: string): string {
  return write(STAGES.bag, { n: clubs, school: school.toLowerCase() })
}

/** @param balls of the running session; null while none runs */
export function sessionStateText(balls: number | null, anyBall: boolean): string {
  if (balls !== null) return write(STAGES.running, { balls: String(balls) })
  return write(anyBall ? STAGES.noneRunning : STAGES.startMeasuring)
}

/** @param known false while the numbers are being worked out */
export function chartStateText(known: boolean, hit: number, ready: Ready | null | undefined): string {
  if (!known) return write(STAGES.workingOut)
  if (hit === 0 || !ready) return write(STAGES.noBalls)
  const { goodEnough, cellsWithin, cellsInUse } = ready
  return goodEnough
    ? write(STAGES.enough)
    : write(STAGES.someKnown, { within: String(cellsWithin), all: String(cellsInUse) })
}

/** @param known false while the numbers are being worked out */
export function gapsStateText(known: boolean, hit: number, flags: number): string {
  if (!known) return write(STAGES.workingOut)
  if (hit === 0) return write(STAGES.noNumbers)
  return flags === 0 ? write(STAGES.nothingToDo) : write(STAGES.flags, { n: flags })
}
