import { MODEL } from './constants'

/** One cell of the grid, hit or not, as the model sees it. */
export interface ModelCell {
  /** Index of the club and of the swing length: cells that share one share its quirk. */
  club: number
  rung: number
  loftDeg: number
  /** ln of the prior share of the full carry. */
  lnFraction: number
  /** Factor on the variance of the swing length's quirk; 4 where its share was only spread evenly, else 1. */
  rungDoubt?: number
}

const loftUnits = (cell: ModelCell) => (cell.loftDeg - MODEL.centreLoftDeg) / MODEL.loftUnitDeg

/** Prior mean of ln stock carry (metres) of each cell. */
export function priorMean(cells: readonly ModelCell[]): Float64Array {
  return Float64Array.from(cells, (cell) => {
    const x = loftUnits(cell)
    const l = cell.lnFraction
    return MODEL.levelMean + l + x * (MODEL.slopeMean + MODEL.tiltMean * l) + MODEL.curvatureMean * x * x
  })
}

/**
 * Prior covariance of ln stock carry between all cells, row by row.
 * Level, loft slope, curvature, stretch of the ladder and tilt are shared by all; quirks of swing length, club and cell
 * by those that have them in common.
 * @param regularity κ, factor on the quirks: 1 is a usual player, 2 an irregular one
 * @returns n × n numbers, symmetric
 */
export function priorCovariance(cells: readonly ModelCell[], regularity: number): Float64Array {
  const n = cells.length
  const covariance = new Float64Array(n * n)
  const x = cells.map(loftUnits)
  const square = (value: number) => value * value
  for (let i = 0; i < n; i++) {
    const a = cells[i]!
    for (let j = 0; j <= i; j++) {
      const b = cells[j]!
      const xx = x[i]! * x[j]!
      const ll = a.lnFraction * b.lnFraction
      let k = square(MODEL.levelSd) + square(MODEL.slopeSd) * xx + square(MODEL.curvatureSd) * xx * xx
        + square(MODEL.stretchSd) * ll + square(MODEL.tiltSd) * ll * xx
      if (a.rung === b.rung) k += (a.rungDoubt ?? 1) * square(regularity * MODEL.rungSd)
      if (a.club === b.club) k += square(regularity * MODEL.clubSd)
      if (i === j) k += square(regularity * (MODEL.cellSd + MODEL.cellSdPerLnFraction * a.lnFraction))
      covariance[i * n + j] = k
      covariance[j * n + i] = k
    }
  }
  return covariance
}
