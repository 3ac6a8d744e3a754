import type { GridFit } from '../chart/grid-fit'
import { groupByCell } from '../shot/by-cell'
import type { NeutralShot } from '../shot/shot'

/** Of one stock shot: balls taken into account, and how many of them were flyers, by odds. */
export interface FlyerCount {
  balls: number
  flyers: number
}

/** By stock shot, single balls alone. */
export function flyerCounts(
  { shots }: { shots: readonly NeutralShot[] },
  grid: Pick<GridFit, 'verdicts'>,
): Map<string, FlyerCount> {
  const counts = new Map<string, FlyerCount>()
  for (const [key, pile] of groupByCell(shots)) {
    let balls = 0
    let flyers = 0
    for (const shot of pile) {
      if (shot.balls > 1) continue
      // One that the coach calls a flyer, or left out as one, is one all the more.
      if (shot.leftOut === 'flyer' || (shot.leftOut === null && shot.strike === 'flyer')) {
        balls++
        flyers++
        continue
      }
      const verdict = grid.verdicts.get(shot.id)
      if (!verdict) continue
      balls++
      if (verdict.fault === 'flyer') flyers += 1 - verdict.clean
    }
    if (balls > 0) counts.set(key, { balls, flyers })
  }
  return counts
}

/** Share of all balls that were flyers, 0 to 1, to a thousandth; null without a ball. */
export function flyerShare(counts: ReadonlyMap<string, FlyerCount>): number | null {
  const all = [...counts.values()]
  const balls = all.reduce((sum, one) => sum + one.balls, 0)
  return balls === 0 ? null : Math.round((1000 * all.reduce((sum, one) => sum + one.flyers, 0)) / balls) / 1000
}
