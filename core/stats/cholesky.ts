/** A pivot below this is rounding. */
const LEAST_PIVOT = 1e-14

/**
 * Lower Cholesky factor of a covariance, row by row; what is above the diagonal is 0.
 * @param matrix n × n, symmetric; the lower triangle is read
 * @example [...choleskyOf(Float64Array.of(4, 2, 2, 2), 2)] // => [2, 0, 1, 1]
 */
export function choleskyOf(matrix: Float64Array, n: number): Float64Array {
  const factor = new Float64Array(n * n)
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let rest = matrix[i * n + j]!
      for (let k = 0; k < j; k++) rest -= factor[i * n + k]! * factor[j * n + k]!
      factor[i * n + j] = i === j ? Math.sqrt(Math.max(rest, LEAST_PIVOT)) : rest / factor[j * n + j]!
    }
  return factor
}

/**
 * L⁻¹·v, or with `both` L⁻ᵀ·L⁻¹·v: the covariance's inverse times v.
 * @example [...solveCholesky(Float64Array.of(2, 0, 1, 1), [4, 4], true)] // => [0, 2]
 */
export function solveCholesky(factor: Float64Array, v: ArrayLike<number>, both = false): Float64Array {
  const n = v.length
  const solved = Float64Array.from(v)
  for (let i = 0; i < n; i++) {
    for (let k = 0; k < i; k++) solved[i]! -= factor[i * n + k]! * solved[k]!
    solved[i]! /= factor[i * n + i]!
  }
  if (!both) return solved
  for (let i = n - 1; i >= 0; i--) {
    for (let k = i + 1; k < n; k++) solved[i]! -= factor[k * n + i]! * solved[k]!
    solved[i]! /= factor[i * n + i]!
  }
  return solved
}
