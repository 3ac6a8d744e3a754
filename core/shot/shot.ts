export const METHODS = ['monitor', 'laser', 'paces', 'watch', 'guess'] as const
export type Method = typeof METHODS[number]

/** One ball, or a pile measured as one, as it was measured. */
export interface Shot {
  id: string
  sessionId: string
  clubId: string
  rungId: string
  carryM: number
  method: Method
  /** Balls in the pile; 1 for a single ball. */
  balls: number
  /** When it was hit, milliseconds since 1970, UTC. */
  hitAtMs: number
  /** Why it does not count, or null when it does. A shot left out stays on record. */
  leftOut: string | null
}

/** The shots that count for the number. */
export function counting(shots: readonly Shot[]): Shot[] {
  return shots.filter(shot => shot.leftOut === null)
}
