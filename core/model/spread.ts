import { MODEL } from './constants'

/** What scatter has been seen of each cell: squares in units of the growth factor, and the balls' worth of them. */
export interface SpreadSums {
  cellSquares: Float64Array
  cellDegrees: Float64Array
}

export const noSpreadSums = (cells: number): SpreadSums => ({
  cellSquares: new Float64Array(cells),
  cellDegrees: new Float64Array(cells),
})

/** Scatter of one ball as it stands: spread·√looseness·(carry + 30 m). */
export interface Spread {
  spread: number
  looseness: Float64Array
  /** Balls' worth of scatter seen. */
  degrees: number
}

/**
 * Spread from a scaled inverse χ² prior and the squares seen, each cell's by its looseness so far; then the looseness
 * of each cell, pulled to 1 by twelve balls' worth (Gelman et al., Bayesian Data Analysis, 3rd ed., §2.6).
 */
export function updateSpread(
  before: { spread: number; spreadBalls: number },
  looseness: Float64Array,
  { cellSquares, cellDegrees }: SpreadSums,
): Spread {
  let squares = 0
  let degrees = 0
  for (let c = 0; c < looseness.length; c++) {
    squares += cellSquares[c]! / looseness[c]!
    degrees += cellDegrees[c]!
  }
  const variance = (before.spreadBalls * before.spread * before.spread + squares) / (before.spreadBalls + degrees)
  const updated = looseness.map(
    (_, c) => (MODEL.loosenessBalls + cellSquares[c]! / variance) / (MODEL.loosenessBalls + cellDegrees[c]!),
  )
  return { spread: Math.sqrt(variance), looseness: updated, degrees }
}
