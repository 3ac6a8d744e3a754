import { GRID_LOFT_MAX_DEG, GRID_LOFT_MIN_DEG } from '../limits'
import type { Rung, SwingScale } from '../swing/scale'

export interface Club {
  id: string
  /** What the player calls it: "56°", "gap". Unique within the bag. */
  label: string
  name: string
  loftDeg: number
  retired: boolean
}

/** A cell that the coach took out on purpose, such as the full lob wedge that flies too high. */
export interface StruckOut {
  clubId: string
  rungId: string
}

export interface Bag {
  clubs: Club[]
  scale: SwingScale
  struckOut: StruckOut[]
}

/** One club with one swing length: the cell of the grid. */
export interface StockShot {
  clubId: string
  rungId: string
}

/** Key of a stock shot, for maps. */
export function cellKey(cell: StockShot): string {
  return `${cell.clubId}/${cell.rungId}`
}

/** Clubs in use, most loft first: the order in which a grid is read and a range session goes. */
export function clubsInUse(bag: Pick<Bag, 'clubs'>): Club[] {
  return bag.clubs.filter(club => !club.retired).sort((a, b) => b.loftDeg - a.loftDeg)
}

/** Rungs in use, shortest first. */
export function rungsInUse(bag: Bag): Rung[] {
  return bag.scale.rungs.filter(rung => !rung.retired)
}

/** All cells of the grid in use, struck-out ones included, club by club, shortest swing first. */
export function gridCells(bag: Bag): StockShot[] {
  const rungs = rungsInUse(bag)
  return clubsInUse(bag).flatMap(club => rungs.map(rung => ({ clubId: club.id, rungId: rung.id })))
}

export function isStruckOut(bag: Bag, cell: StockShot): boolean {
  return bag.struckOut.some(s => s.clubId === cell.clubId && s.rungId === cell.rungId)
}

/** True for a wedge or a short iron, of which one stock shot tells about another. Longer clubs stand by themselves. */
export function isGridClub(club: Pick<Club, 'loftDeg'>): boolean {
  return club.loftDeg >= GRID_LOFT_MIN_DEG && club.loftDeg <= GRID_LOFT_MAX_DEG
}

/**
 * True when these are the cells of the bag's grid in use, in its order: a chart that is older than the bag has
 * others.
 */
export function sameGrid(bag: Bag, cells: readonly StockShot[]): boolean {
  const keys = gridCells(bag).map(cellKey)
  return keys.length === cells.length && keys.every((key, i) => key === cellKey(cells[i]!))
}
