import { cellKey } from '../bag/bag'
import { groupBy } from '../group-by'
import type { AnyShot } from './shot'

/** Shots by the key of their cell. */
export function groupByCell<S extends AnyShot>(shots: readonly S[]): Map<string, S[]> {
  return groupBy(shots, cellKey)
}

/** Oldest first; those of one moment by their id, so that the same shots always come in the same order. */
export function inTime<S extends Pick<AnyShot, 'id' | 'hitAtMs'>>(shots: readonly S[]): S[] {
  return [...shots].sort((a, b) => a.hitAtMs - b.hitAtMs || (a.id < b.id ? -1 : 1))
}
