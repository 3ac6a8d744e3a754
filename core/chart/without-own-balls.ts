import { cellKey } from '../bag/bag'
import type { Fit } from '../model/fit'
import { groupByCell } from '../shot/by-cell'
import type { NeutralShot } from '../shot/shot'
import { exp } from '../stats/exact'

/** A number beyond its balls by less than this is not seen to be. */
const SEEN_M = 0.2
/**
 * For so many stock shots, those furthest beyond their balls, it is worked out what they would be without them: it
 * takes a fit each. None of a record so large that this would be felt.
 */
const MOST_WITHOUT = 4
const MOST_BALLS = 1500

/** Of stock shots whose number lies beyond all their balls, what it would be without these, metres, by key. */
export function withoutOwnBalls(
  shots: readonly NeutralShot[],
  { mean }: Fit,
  indexOf: ReadonlyMap<string, number>,
  fitWithout: (cell: number) => number,
): Map<string, number> {
  const counted = shots.filter(shot => shot.leftOut === null && indexOf.has(cellKey(shot)))
  const own = groupByCell(counted)
  if (own.size < 2 || counted.length > MOST_BALLS) return new Map()
  return new Map(
    [...own]
      .map(([key, balls]) => {
        const cell = indexOf.get(key)!
        const carries = balls.map(shot => shot.carryM)
        const carryM = exp(mean[cell]!)
        return { key, cell, beyondM: Math.max(Math.min(...carries) - carryM, carryM - Math.max(...carries)) }
      })
      .filter(one => one.beyondM > SEEN_M)
      .sort((a, b) => b.beyondM - a.beyondM || a.cell - b.cell)
      .slice(0, MOST_WITHOUT)
      .map(({ key, cell }) => [key, fitWithout(cell)]),
  )
}
