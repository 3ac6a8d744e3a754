/** What may be changed of a player, as its history tells it. */
export const CHANGES_OF_RECORD = [
  'added',
  'brought-in',
  'player',
  'consent',
  'bag',
  'balls',
  'session',
  'session-moved',
  'file',
  'practice',
  'homework',
  'round',
  'answer',
  'remark',
  'what-if',
  'published',
  'link',
  'link-ended',
  'told-taken',
  'by-device',
  'by-player',
] as const
export type ChangeOfRecord = (typeof CHANGES_OF_RECORD)[number]

/** One line of a player's history: the same thing done again within minutes is the same line. */
export interface HistoryLine {
  /** Higher for what began later. */
  id: number
  kind: ChangeOfRecord
  /** Who did it; null for a device or the player. */
  by: string | null
  times: number
  beganAtMs: number
  lastAtMs: number
}

/** So many lines come at once. */
export const HISTORY_LINES = 100
