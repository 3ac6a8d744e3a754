import { rungName } from '../swing/scale'
import type { Bag, StockShot } from './bag'

/** Labels of a bag's stock shots, retired ones too. */
export function labelsOf(bag: Bag): (cell: StockShot) => { club: string; swing: string } {
  const clubs = new Map(bag.clubs.map(club => [club.id, club.label]))
  const swings = new Map(bag.scale.rungs.map(rung => [rung.id, rungName(rung)]))
  return cell => ({ club: clubs.get(cell.clubId)!, swing: swings.get(cell.rungId)! })
}
