import type { StockShot } from '#core/bag/bag'

/** So many are kept on a device: more than ten rounds. */
export const KEPT_MOST = 400

/** A shot that was picked on the course, and where it ended. */
export interface KeptPick extends StockShot {
  id: string
  atMs: number
  targetM: number
  shot: string
  /** "plus 1", as it was said. */
  how: string
  ended: 'fine' | 'short' | 'long' | 'left' | 'right'
  /** How far off, metres; null where nobody said. */
  offM: number | null
}
