import type { Ready } from '../core/calibration/calibration'
import { NO_BAG, STAGES } from './en/stages'
import { shortDayText } from './dates'
import { write } from './message'

/** Where each stage stands while the bag is empty. */
export const noBagTexts: Record<'bag' | 'session' | 'chart' | 'gaps' | 'pick' | 'practice' | 'rounds', string> = NO_BAG

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
  // Of a bag of longer clubs alone: each stands by its own balls.
  if (cellsInUse === 0) return write(STAGES.measured, { n: hit })
  return goodEnough
    ? write(STAGES.enough)
    : write(STAGES.someKnown, { within: String(cellsWithin), all: String(cellsInUse) })
}

/** @param publishedAtMs when the chart that the player carries was published; null without one */
export function pickStateText(publishedAtMs: number | null): string {
  return publishedAtMs === null ? write(STAGES.noCard) : write(STAGES.cardOf, { day: shortDayText(publishedAtMs) })
}

/** @param goes done so far; @param set homework that still stands */
export function practiceStateText(goes: number, set: number): string {
  if (set > 0) return write(STAGES.homework, { n: set })
  return goes === 0 ? write(STAGES.noGoes) : write(STAGES.goes, { n: goes })
}

/** What is known of the gaps of a player. */
export interface GapsState {
  /** Stock shots with a number. */
  numbers: number
  flags: number
  /** Questions that too few balls tell, and stretches that are not proven. */
  open: number
  /** Targets within the line, and all; null without any. */
  covered: { within: number; targets: number } | null
}

/** @param state null while the numbers are being worked out */
export function gapsStateText(state: GapsState | null): string {
  if (!state) return write(STAGES.workingOut)
  const { numbers, flags, open, covered } = state
  if (numbers === 0) return write(STAGES.noNumbers)
  if (flags > 0) return write(STAGES.flags, { n: flags })
  if (open > 0) return write(STAGES.stillOpen, { n: open })
  if (covered && covered.within < covered.targets)
    return write(STAGES.covered, { within: String(covered.within), all: String(covered.targets) })
  return write(STAGES.nothingToDo)
}

/** Where Rounds stands. @param waiting rounds that wait for a nod; @param isDue a retest is due */
export function roundsStateText(rounds: number, waiting: number, isDue: boolean): string {
  if (waiting > 0) return write(STAGES.roundsWaiting, { n: String(waiting) })
  if (isDue) return write(STAGES.retestDue)
  return write(rounds === 0 ? STAGES.noRounds : STAGES.rounds, { n: rounds })
}
