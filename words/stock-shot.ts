import { STOCK_SHOT } from './en/published'
import { write } from './message'

/** "56° at 9:00": a stock shot as a coach says it. Full swings and one-length scales need no "at". */
export function stockShotName(club: string, swing: string): string {
  return write(/^\d/.test(swing) ? STOCK_SHOT.at : STOCK_SHOT.plain, { club, swing })
}
