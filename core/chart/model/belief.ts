import { MODEL } from './constants'

/** What is believed of ln stock carry of all cells: mean, and covariance row by row. */
export interface Belief {
  mean: Float64Array
  covariance: Float64Array
}

// A pivot below this is rounding, not knowledge.
const LEAST_PIVOT = 1e-14

/**
 * What one session says of its hit cells, as weighted sums: precision A = Σp and b = Σ p·y over the shots of each.
 * `cells` are the indices of the hit cells in the whole grid.
 */
export interface SessionSums {
  cells: readonly number[]
  precision: Float64Array
  weighted: Float64Array
}

/** Lower Cholesky factor of S = I + √A·C·√A, in place of S. Well-conditioned whatever the precisions, also at 0. */
function factor(root: Float64Array, prior: Float64Array, h: number): Float64Array {
  const s = new Float64Array(h * h)
  for (let i = 0; i < h; i++) {
    for (let j = 0; j <= i; j++) {
      let sum = (i === j ? 1 : 0) + root[i]! * prior[i * h + j]! * root[j]!
      for (let k = 0; k < j; k++) sum -= s[i * h + k]! * s[j * h + k]!
      s[i * h + j] = i === j ? Math.sqrt(Math.max(LEAST_PIVOT, sum)) : sum / s[j * h + j]!
    }
  }
  return s
}

/** L⁻¹·v in place. */
function solveLower(l: Float64Array, v: Float64Array, h: number): void {
  for (let i = 0; i < h; i++) {
    let sum = v[i]!
    for (let k = 0; k < i; k++) sum -= l[i * h + k]! * v[k]!
    v[i] = sum / l[i * h + i]!
  }
}

/** b/√A − √A·m, 0 where nothing was hit. */
function surprise({ precision, weighted }: SessionSums, mean: Float64Array, root: Float64Array): Float64Array {
  return Float64Array.from(precision, (a, i) => a === 0 ? 0 : weighted[i]! / root[i]! - root[i]! * mean[i]!)
}

/** Mean of the hit cells, and their covariance with the day's own effect: what a session begins with. */
export function startOfSession({ mean, covariance }: Belief, cells: readonly number[], daySd: number) {
  const n = mean.length
  const h = cells.length
  const prior = new Float64Array(h * h)
  for (let i = 0; i < h; i++) for (let j = 0; j < h; j++) prior[i * h + j] = covariance[cells[i]! * n + cells[j]!]! + daySd * daySd
  return { mean: Float64Array.from(cells, cell => mean[cell]!), prior }
}

/** Mean and variance of ln carry that day, of each hit cell, after what the session says. */
export function withinSession(start: ReturnType<typeof startOfSession>, sums: SessionSums): { mean: Float64Array, variance: Float64Array } {
  const h = sums.cells.length
  const root = sums.precision.map(Math.sqrt)
  const l = factor(root, start.prior, h)
  const t = surprise(sums, start.mean, root)
  solveLower(l, t, h)
  const mean = new Float64Array(h)
  const variance = new Float64Array(h)
  const row = new Float64Array(h)
  for (let i = 0; i < h; i++) {
    // Row i of C√A L⁻ᵀ: its square takes away variance, its product with L⁻¹(b/√A − √A m) moves the mean.
    for (let j = 0; j < h; j++) row[j] = start.prior[i * h + j]! * root[j]!
    solveLower(l, row, h)
    let moved = start.mean[i]!
    let left = start.prior[i * h + i]!
    for (let j = 0; j < h; j++) {
      moved += row[j]! * t[j]!
      left -= row[j]! * row[j]!
    }
    mean[i] = moved
    variance[i] = left
  }
  return { mean, variance }
}

/**
 * Takes a session into the belief of all cells, hit or not, in place.
 * @returns its log evidence, up to a constant
 */
export function absorb(belief: Belief, sums: SessionSums, daySd: number): number {
  const { mean, covariance } = belief
  const n = mean.length
  const h = sums.cells.length
  const root = sums.precision.map(Math.sqrt)
  const start = startOfSession(belief, sums.cells, daySd)
  const l = factor(root, start.prior, h)
  const t = surprise(sums, start.mean, root)
  solveLower(l, t, h)
  const gain = new Float64Array(n * h)
  const row = new Float64Array(h)
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < h; j++) row[j] = covariance[i * n + sums.cells[j]!]! * root[j]!
    solveLower(l, row, h)
    gain.set(row, i * h)
  }
  for (let i = 0; i < n; i++) {
    for (let k = 0; k < h; k++) mean[i]! += gain[i * h + k]! * t[k]!
    for (let j = 0; j <= i; j++) {
      let taken = 0
      for (let k = 0; k < h; k++) taken += gain[i * h + k]! * gain[j * h + k]!
      covariance[i * n + j]! -= taken
      if (j !== i) covariance[j * n + i]! -= taken
    }
  }
  let evidence = 0
  for (let i = 0; i < h; i++) evidence -= Math.log(l[i * h + i]!) + 0.5 * t[i]! * t[i]!
  return evidence
}

/** Days without a session: all cells drift together, and each a little by itself. In place. */
export function drift({ mean, covariance }: Belief, days: number): void {
  const n = mean.length
  const time = Math.min(Math.max(0, days), MODEL.longestGapDays) / MODEL.driftDays
  const together = MODEL.driftSd ** 2 * time
  const alone = MODEL.driftCellSd ** 2 * time
  for (let i = 0; i < n * n; i++) covariance[i]! += together
  for (let i = 0; i < n; i++) covariance[i * n + i]! += alone
}
