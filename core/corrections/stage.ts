import type { AnyShot, ShotAt, Stage } from '../shot/shot'

/** The shot, said to be at the next stage: for the corrections alone, which have just taken it there. */
export function reaching<S extends Stage>(shot: AnyShot): ShotAt<S> {
  return shot as ShotAt<S>
}

/** Shots that a step has nothing to do for: they are at its stage as they are. */
export function reachingAll<S extends Stage>(shots: readonly AnyShot[]): ShotAt<S>[] {
  return [...shots] as ShotAt<S>[]
}
