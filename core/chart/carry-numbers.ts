import { cellKey, gridCells, isStruckOut, type Bag, type StockShot } from '../bag/bag'
import type { Shot } from '../shot/shot'
import { middleOfThePile } from './middle-of-the-pile'

export type CellKind = 'measured' | 'unhit' | 'struck-out'

/** The number of one stock shot, and the balls behind it. */
export interface NumberedCell extends StockShot {
  kind: CellKind
  /** Stock carry, metres; null when no ball counts. */
  carryM: number | null
  /** Balls that count, a pile with all its balls. */
  balls: number
  /** Balls on record that do not count. */
  leftOut: number
  lastHitMs: number | null
  /** Measured carries that count, metres, in the order hit. */
  carriesM: number[]
  leftOutCarriesM: number[]
}

/** Shots by the key of their cell. */
export function groupByCell(shots: readonly Shot[]): Map<string, Shot[]> {
  const groups = new Map<string, Shot[]>()
  for (const shot of shots) {
    const key = cellKey(shot)
    const group = groups.get(key)
    if (group) group.push(shot)
    else groups.set(key, [shot])
  }
  return groups
}

/**
 * What one cell's shots say. A pile counts as one measurement of its middle, and its balls are counted.
 * @param shots all shots of this cell, in any order
 */
export function numberedCell(cell: StockShot, shots: readonly Shot[], struckOut: boolean): NumberedCell {
  const inTime = [...shots].sort((a, b) => a.hitAtMs - b.hitAtMs || (a.id < b.id ? -1 : 1))
  const counted = inTime.filter(shot => shot.leftOut === null)
  const out = inTime.filter(shot => shot.leftOut !== null)
  const carriesM = counted.map(shot => shot.carryM)
  const carryM = carriesM.length > 0 ? middleOfThePile(carriesM) : null
  return {
    clubId: cell.clubId,
    rungId: cell.rungId,
    kind: struckOut ? 'struck-out' : carryM === null ? 'unhit' : 'measured',
    carryM,
    balls: counted.reduce((sum, shot) => sum + shot.balls, 0),
    leftOut: out.reduce((sum, shot) => sum + shot.balls, 0),
    lastHitMs: inTime.at(-1)?.hitAtMs ?? null,
    carriesM,
    leftOutCarriesM: out.map(shot => shot.carryM),
  }
}

/**
 * The numbers of the grid in use, clubs from most loft to least, swings from short to long.
 * Shots of retired clubs and rungs stay on record and out of the grid.
 */
export function carryNumbers(bag: Bag, shots: readonly Shot[]): NumberedCell[] {
  const groups = groupByCell(shots)
  return gridCells(bag).map(cell => numberedCell(cell, groups.get(cellKey(cell)) ?? [], isStruckOut(bag, cell)))
}

/** How far the chart has come: cells with a number, of the cells in use (struck-out ones are not in use). */
export function chartProgress(numbers: readonly NumberedCell[]): { known: number, inUse: number } {
  return {
    known: numbers.filter(cell => cell.kind === 'measured').length,
    inUse: numbers.filter(cell => cell.kind !== 'struck-out').length,
  }
}
