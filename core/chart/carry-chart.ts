import { cellKey, clubsInUse, gridCells, isGridClub, isStruckOut, type Bag } from '../bag/bag'
import { SIDE } from '../model/constants'
import { doesCount, type NeutralShot } from '../shot/shot'
import { cellEstimate } from '../model/estimate'
import type { Fit } from '../model/fit'
import type { GridFit } from './grid-fit'
import { leanings } from '../model/leanings'
import { Z_80 } from '../stats/normal'
import type { CarryChart, ChartCell } from './chart-cell'
import { pileOf } from './pile'
import { groupByCell } from '../shot/by-cell'
import { sidesOfGrid } from './sides'

type Number80 = Pick<ChartCell, 'carryM' | 'certainty80M' | 'window80M'>
const NO_NUMBER: Number80 = { carryM: null, certainty80M: null, window80M: null }

function numberOf(fit: Fit, i: number): Number80 {
  const { carryM, certainty80M, window80M } = cellEstimate(fit, i)
  return { carryM, certainty80M, window80M }
}

/**
 * The side of the grid's cells, when any shot has one. It is told by so many balls of the club, else by the player's of
 * all clubs; by fewer it is nobody's: one pulled ball makes no miss to the left.
 */
function sidesOf(shots: readonly NeutralShot[], grid: GridFit) {
  const pattern = sidesOfGrid(shots, grid)
  if (pattern.measured === 0) return null
  const ofClub = new Map<string, number>()
  for (const shot of shots)
    if (doesCount(shot) && shot.sideM !== undefined && grid.indexOf.has(cellKey(shot)))
      ofClub.set(shot.clubId, (ofClub.get(shot.clubId) ?? 0) + 1)
  return (i: number, carryM: number): Pick<ChartCell, 'sideM' | 'sideWindow80M' | 'sideTold'> => {
    const own = ofClub.get(grid.cells[i]!.clubId) ?? 0
    const told =
      own >= SIDE.leastTold
        ? { balls: own, by: 'club' as const }
        : pattern.measured >= SIDE.leastTold
          ? { balls: pattern.measured, by: 'player' as const }
          : null
    const bias = told === null ? 0 : told.by === 'club' ? pattern.bias[i]! : pattern.playerBias
    const half = Z_80 * Math.sqrt(pattern.variance[i]! + pattern.sd ** 2)
    return {
      sideM: carryM * bias,
      sideWindow80M: [carryM * (bias - half), carryM * (bias + half)],
      ...(told && { sideTold: told }),
    }
  }
}

/**
 * The carry chart: the grid in use, clubs from most loft to least, swings from short to long, each cell with its pile
 * and its number. Without a single counting ball nothing is predicted: what is usual for a stranger is no number.
 */
export function carryChart(bag: Bag, shots: readonly NeutralShot[], grid: GridFit): CarryChart {
  const groups = groupByCell(shots)
  const gridClubs = new Set(
    clubsInUse(bag)
      .filter(isGridClub)
      .map(club => club.id),
  )
  const anyBall = grid.fit.information.some(said => said !== 0)
  const leans = leanings({ ...grid.fit, covariance: grid.apart ?? grid.fit.covariance })
  const sides = sidesOf(shots, grid)
  return gridCells(bag).map((cell): ChartCell => {
    const key = cellKey(cell)
    const pile = pileOf(cell, groups.get(key) ?? [])
    const plain = !gridClubs.has(cell.clubId)
    const struckOut = isStruckOut(bag, cell)
    const i = grid.indexOf.get(key)
    const single = grid.plain.get(key)
    const hasNumber = plain ? single !== undefined : anyBall
    const shown = hasNumber && (!struckOut || pile.balls > 0)
    const number = !shown ? NO_NUMBER : single ? numberOf(single, 0) : numberOf(grid.fit, i!)
    const inUse = pile.balls > 0 ? 'measured' : shown ? 'predicted' : 'unhit'
    const kind = struckOut ? 'struck-out' : inUse
    const lean = shown && !plain ? leans[i!]! : null
    return {
      ...pile,
      kind,
      plain,
      ...number,
      ...(lean && sides?.(i!, number.carryM!)),
      ...(shown && grid.without.has(key) && { othersM: grid.without.get(key)! }),
      leansOn: lean && {
        own: lean.own,
        usual: lean.usual,
        others: lean.others.map(o => ({ ...grid.cells[o.cell]!, share: o.share })),
      },
    }
  })
}
