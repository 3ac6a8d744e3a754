import type { GridFit } from '../chart/grid-fit'
import { MODEL } from '../model/constants'
import { counting, type AnyShot } from '../shot/shot'

/** A ball that the odds take for clean. */
const CLEAN = 0.5
/** Strikes that grass does not forgive. */
const UNFORGIVEN = ['thin', 'heavy']

/**
 * Share of balls that are mishit on the course: the player's own share, and beside it what was marked thin or heavy on
 * a mat and carried all the same: a mat forgives what grass does not.
 * @param mats ids of the sessions that were hit off a mat
 * @returns 0 to 1, to a thousandth
 */
export function courseMishitShare(
  { grid, player }: { grid: Pick<GridFit, 'fit' | 'verdicts'>; player: { shots: readonly AnyShot[] } },
  mats: ReadonlySet<string>,
): number {
  const balls = counting(player.shots)
  const forgiven = balls.filter(
    ({ id, sessionId, strike }) =>
      mats.has(sessionId) &&
      strike !== null &&
      UNFORGIVEN.includes(strike) &&
      (grid.verdicts.get(id)?.clean ?? 1) > CLEAN,
  ).length
  const share = grid.fit.mishitShare + (balls.length === 0 ? 0 : forgiven / balls.length)
  return Math.round(Math.min(MODEL.mostMishitShare, share) * 1000) / 1000
}
