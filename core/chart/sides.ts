import { cellKey } from '../bag/bag'
import type { NeutralShot } from '../shot/shot'
import type { GridFit } from './grid-fit'
import { sidePattern, type SidePattern } from '../model/side'

/** The side pattern of the grid's cells, of the counting balls whose side was measured; the usual one when none was. */
export function sidesOfGrid(shots: readonly NeutralShot[], grid: GridFit): SidePattern {
  const measured = shots.filter(
    shot => shot.leftOut === null && shot.sideM !== undefined && shot.carryM > 0 && grid.indexOf.has(cellKey(shot)),
  )
  return sidePattern(
    measured.map(shot => ({ cell: grid.indexOf.get(cellKey(shot))!, ratio: shot.sideM! / shot.carryM })),
    grid.cells.length,
  )
}
