import type { Fit } from '../model/fit'
import type { GridFit } from './grid-fit'

/** Stock shots of the grid and of longer clubs in one fit: what two of them have in common is 0 across. */
export interface Joined {
  fit: Fit
  indexOf: ReadonlyMap<string, number>
}

/**
 * Longer clubs beside the grid, so that a step between any two can be asked about. Each keeps its own scatter: as the
 * player's, times its looseness.
 */
export function joined({ fit, indexOf, plain }: Pick<GridFit, 'fit' | 'indexOf' | 'plain'>): Joined {
  if (plain.size === 0) return { fit, indexOf }
  const [n, all] = [fit.mean.length, [...plain]]
  const size = n + all.length
  const covariance = new Float64Array(size * size)
  for (let i = 0; i < n; i++) covariance.set(fit.covariance.subarray(i * n, i * n + n), i * size)
  all.forEach(([, single], k) => {
    covariance[(n + k) * size + n + k] = single.covariance[0]!
  })
  const longer = (of: (single: Fit) => number, before: Float64Array) =>
    Float64Array.of(...before, ...all.map(([, single]) => of(single)))
  return {
    fit: {
      ...fit,
      covariance,
      mean: longer(single => single.mean[0]!, fit.mean),
      looseness: longer(single => (single.looseness[0]! * single.spread ** 2) / fit.spread ** 2, fit.looseness),
      cellDegrees: longer(single => single.cellDegrees[0]!, fit.cellDegrees),
    },
    indexOf: new Map([...indexOf, ...all.map(([key], k) => [key, n + k] as const)]),
  }
}
