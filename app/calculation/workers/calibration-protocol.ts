import type { Calibration, CalibrationOptions } from '#core/calibration/calibration'
import type { PlayerShots } from '#core/shot/player-shots'
import type { Shot } from '#core/shot/shot'

/** What the page tells the worker: everything about the player but the shots, and of the shots only what changed. */
export interface CalibrationAsk {
  turn: number
  player: Omit<PlayerShots, 'shots'>
  options: CalibrationOptions
  /** True when all that was sent before is to be forgotten. */
  anew: boolean
  put: Shot[]
  gone: string[]
}

/** What comes back. `full` is false for the quick answer that a full one follows. */
export type CalibrationAnswer =
  | { turn: number; full: boolean; calibration: Calibration }
  | { turn: number; failure: string }
