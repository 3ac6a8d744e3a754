import { rungsInUse, type StockShot } from '../bag/bag'
import { GRID_LOFT_MAX_DEG, GRID_LOFT_MIN_DEG } from '../limits'
import { fitGrid } from './grid-fit'
import type { NeutralPlayer } from '../shot/player-shots'
import { cellEstimate } from '../model/estimate'

/** A stock shot of a club that is not in the bag, as the others predict it. */
export interface OtherClubShot {
  rungId: StockShot['rungId']
  carryM: number
  certainty80M: [number, number]
  window80M: [number, number]
}

/** No club of a bag is called so: ids are UUIDs, and labels in a file cannot be empty. */
const NOT_OWNED = ''

/**
 * What a club that the player does not own would carry with each swing length in use, shortest first: the grid with one
 * more club, of which no ball has been hit. What is known of the others does not change by it.
 * @param player shots in the air that the answer is wanted in
 * @returns nothing while no ball counts: what is usual for a stranger is no prediction
 * @throws RangeError for a loft that the pooled model does not know
 * @example predictClub({ bag: { clubs: [], scale: { school: 'clock', rungs: [] }, struckOut: [] }, level: 'good', nowMs: 0, sessions: [], shots: [] }, 54)
 * // => []
 */
export function predictClub(player: NeutralPlayer, loftDeg: number): OtherClubShot[] {
  if (!(loftDeg >= GRID_LOFT_MIN_DEG && loftDeg <= GRID_LOFT_MAX_DEG))
    throw new RangeError(`a loft of ${loftDeg}° cannot be predicted: ${GRID_LOFT_MIN_DEG} to ${GRID_LOFT_MAX_DEG}° can`)
  const other = { id: NOT_OWNED, label: NOT_OWNED, name: '', loftDeg, retired: false }
  const { fit, cells } = fitGrid({ ...player, bag: { ...player.bag, clubs: [...player.bag.clubs, other] } })
  if (fit.information.every(said => said === 0)) return []
  const known = new Map(cells.flatMap((cell, i) => (cell.clubId === NOT_OWNED ? [[cell.rungId, i] as const] : [])))
  return rungsInUse(player.bag).map(({ id }) => {
    const { carryM, certainty80M, window80M } = cellEstimate(fit, known.get(id)!)
    return { rungId: id, carryM, certainty80M, window80M }
  })
}
