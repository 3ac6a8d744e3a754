import { exp } from '../stats/exact'
import { MODEL } from './constants'
import type { Fit } from './fit'
import { studentQuantile, Z_80, Z_95 } from '../stats/normal'

/** What is read of one cell of a fit. */
export interface CellEstimate {
  carryM: number
  /** 8 in 10, and 19 in 20, that the stock carry lies here, metres. */
  certainty80M: [number, number]
  certainty95M: [number, number]
  /** Where the next clean ball lands 8 times in 10, the doubt about the number included, metres. */
  window80M: [number, number]
  /** Scatter of one clean ball, one standard deviation, metres. */
  spreadSdM: number
}

/** Standard deviation of ln carry of one clean ball of cell i. */
export function ballSd(fit: Fit, i: number): number {
  return fit.spread * Math.sqrt(fit.looseness[i]!) * (1 + MODEL.spreadOffsetM / exp(fit.mean[i]!))
}

/**
 * Stock carry, certainty and window of cell i: intervals of Student's t on ln carry, so they are a little longer
 * upwards than downwards.
 */
export function cellEstimate(fit: Fit, i: number): CellEstimate {
  const n = fit.mean.length
  const m = fit.mean[i]!
  const carryM = exp(m)
  const variance = fit.covariance[i * n + i]!
  const scatter = ballSd(fit, i)
  const around = (z: number, sd: number): [number, number] => {
    const half = studentQuantile(z, fit.degrees) * sd
    return [exp(m - half), exp(m + half)]
  }
  return {
    carryM,
    certainty80M: around(Z_80, Math.sqrt(variance)),
    certainty95M: around(Z_95, Math.sqrt(variance)),
    window80M: around(Z_80, Math.sqrt(variance + scatter * scatter)),
    spreadSdM: carryM * scatter,
  }
}
