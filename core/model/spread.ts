import type { Change } from './belief'
import { MODEL } from './constants'

/**
 * What scatter has been seen of each cell: squares in units of the growth factor, and the balls' worth of them; and of
 * how many single balls how many were mishits, by odds.
 */
export interface SpreadSums {
  cellSquares: Float64Array
  cellDegrees: Float64Array
  mishits: number
  judged: number
}

export const noSpreadSums = (
  cells: number,
  judged: FitOptions['judgedByCoach'] = { mishits: 0, others: 0 },
): SpreadSums => ({
  cellSquares: new Float64Array(cells),
  cellDegrees: new Float64Array(cells),
  mishits: judged.mishits,
  judged: judged.mishits + judged.others,
})

/** What is known of a player's scatter and mishits before the first ball. */
export interface FitOptions {
  /** φ, and how many balls that is worth: narrower knowledge where the level is stated. */
  spread: number
  spreadBalls: number
  /** Share of mishits, and how many balls that is worth: without end where it is told. */
  mishitShare: number
  mishitBalls: number
  /** Single balls that the coach called what they are, which the fit does not see: mishits, and others. */
  judgedByCoach?: { mishits: number; others: number }
  /** Days on which numbers may have moved. */
  changes?: readonly Change[]
}

/** Scatter of one ball as it stands, spread·√looseness·(carry + 30 m), and the share of balls that are mishit. */
export interface Spread {
  spread: number
  looseness: Float64Array
  /** Balls' worth of scatter seen. */
  degrees: number
  mishitShare: number
}

/**
 * The player's share of mishits: what has been seen, pulled to what was known before (the mean of a Beta).
 * @example learntShare({ mishitShare: 0.07, mishitBalls: 30 }, { mishits: 10, judged: 70 }) // => 0.121
 */
export function learntShare(
  { mishitShare, mishitBalls }: Pick<FitOptions, 'mishitShare' | 'mishitBalls'>,
  { mishits, judged }: Pick<SpreadSums, 'mishits' | 'judged'>,
): number {
  if (mishitBalls === Infinity) return mishitShare
  const share = (mishitShare * mishitBalls + mishits) / (mishitBalls + judged)
  return Math.min(MODEL.mostMishitShare, share)
}

/**
 * Spread from a scaled inverse χ² prior and the squares seen, each cell's by its looseness so far; then the looseness
 * of each cell, pulled to 1 by twelve balls' worth (Gelman et al., Bayesian Data Analysis, 3rd ed., §2.6).
 */
export function updateSpread(before: FitOptions, looseness: Float64Array, seen: SpreadSums): Spread {
  const { cellSquares, cellDegrees } = seen
  let squares = 0
  let degrees = 0
  for (let c = 0; c < looseness.length; c++) {
    squares += cellSquares[c]! / looseness[c]!
    degrees += cellDegrees[c]!
  }
  const found = (before.spreadBalls * before.spread * before.spread + squares) / (before.spreadBalls + degrees)
  const variance = Math.min(found, MODEL.mostSpread ** 2)
  const updated = looseness.map(
    (_, c) => (MODEL.loosenessBalls + cellSquares[c]! / variance) / (MODEL.loosenessBalls + cellDegrees[c]!),
  )
  return { spread: Math.sqrt(variance), looseness: updated, degrees, mishitShare: learntShare(before, seen) }
}
