import type { SwingFlight } from '../swing/scale'
import { MODEL } from './constants'

const FLIGHT_MEAN: Record<SwingFlight, number> = { low: MODEL.lowFlightMean, normal: 0, high: MODEL.highFlightMean }

/** One cell of the grid, hit or not, as the model sees it. */
export interface ModelCell {
  /** Index of the club and of the swing length: cells that share one share its quirk. A low flight has its length's. */
  club: number
  rung: number
  /** SwingFlight, where a player keeps several of one length. Default normal. */
  flight?: SwingFlight
  loftDeg: number
  /** ln of the prior share of the full carry. */
  lnFraction: number
  /**
   * Factor on the variance of the swing length's quirk; 4 where its share was only spread evenly, else 1. Flights of
   * one length may differ in it: they share what both have.
   */
  rungDoubt?: number
}

const loftUnits = (cell: ModelCell) => (cell.loftDeg - MODEL.centreLoftDeg) / MODEL.loftUnitDeg

/**
 * The square of x, and from the least loft of a wedge on its tangent: longer clubs go on as the flight has it, and a
 * square would have two short irons carry alike.
 */
function bend(x: number): number {
  const knee = MODEL.straightFromX
  return x >= knee ? x * x : knee * knee + 2 * knee * (x - knee)
}

/** Prior mean of ln stock carry (metres) of each cell. */
export function priorMean(cells: readonly ModelCell[]): Float64Array {
  return Float64Array.from(cells, cell => {
    const x = loftUnits(cell)
    const l = cell.lnFraction
    return (
      MODEL.levelMean +
      l +
      x * (MODEL.slopeMean + MODEL.tiltMean * l) +
      MODEL.curvatureMean * bend(x) +
      FLIGHT_MEAN[cell.flight ?? 'normal']
    )
  })
}

/**
 * Prior covariance of ln stock carry between all cells, row by row.
 * Level, loft slope, curvature, stretch of the ladder and tilt are shared by all; quirks of swing length, club and cell
 * by those that have them in common. A low or high flight is a swing of its own near its parent: it has the parent's
 * quirk, a difference shared by all swings of that flight, and one of its own.
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
      let k =
        square(MODEL.levelSd) +
        square(MODEL.slopeSd) * xx +
        square(MODEL.curvatureSd) * xx * xx +
        square(MODEL.stretchSd) * ll +
        square(MODEL.tiltSd) * ll * xx
      // Where they differ the lesser doubt is the shared one: with the greater it would be no covariance.
      if (a.rung === b.rung) k += Math.min(a.rungDoubt ?? 1, b.rungDoubt ?? 1) * square(regularity * MODEL.rungSd)
      if (a.flight === b.flight && a.flight !== undefined && a.flight !== 'normal') {
        k += square(regularity * MODEL.flightSd)
        if (a.rung === b.rung) k += square(regularity * MODEL.flightRungSd)
      }
      if (a.club === b.club) k += square(regularity * MODEL.clubSd)
      if (i === j) k += square(regularity * (MODEL.cellSd + MODEL.cellSdPerLnFraction * a.lnFraction))
      covariance[i * n + j] = k
      covariance[j * n + i] = k
    }
  }
  return covariance
}
