import { ln } from '../stats/exact'
import { MODEL, MOVED_BY, type ChangeKind } from './constants'

/**
 * What is believed of ln stock carry of all cells: mean, and covariance row by row. While a fit runs only the lower
 * triangle is kept up; `mirror` fills the rest.
 */
export interface Belief {
  mean: Float64Array
  covariance: Float64Array
}

/** What one session says of its hit cells, as weighted sums: precision A = Σp and b = Σ p·y over the shots of each. */
export interface SessionSums {
  /** Indices of the hit cells in the whole grid, ascending. */
  cells: Int32Array
  precision: Float64Array
  weighted: Float64Array
}

/**
 * Working memory of one fit, sized once: the loops below run thousands of times, and fresh arrays in them would cost
 * more than the arithmetic.
 */
export interface Room {
  start: Float64Array
  prior: Float64Array
  root: Float64Array
  factor: Float64Array
  surprise: Float64Array
  gain: Float64Array
}

/** @param cells of the grid; @param most cells hit in one session */
export function makeRoom(cells: number, most: number): Room {
  const of = (size: number) => new Float64Array(size)
  return {
    start: of(most),
    prior: of(most * most),
    root: of(most),
    factor: of(most * most),
    surprise: of(most),
    gain: of(cells * most),
  }
}

// A pivot below this is rounding, not knowledge.
const LEAST_PIVOT = 1e-14

/** Lower Cholesky factor of S = I + √A·C·√A. Well-conditioned whatever the precisions, also at 0. */
function factorize({ root, prior, factor }: Room, h: number): void {
  for (let i = 0; i < h; i++) {
    const ih = i * h
    for (let j = 0; j <= i; j++) {
      const jh = j * h
      let sum = root[i]! * prior[ih + j]! * root[j]!
      if (i === j) sum += 1
      for (let k = 0; k < j; k++) sum -= factor[ih + k]! * factor[jh + k]!
      factor[ih + j] = i === j ? Math.sqrt(sum > LEAST_PIVOT ? sum : LEAST_PIVOT) : sum / factor[jh + j]!
    }
  }
}

/** L⁻¹·v in place, v beginning at `from`. */
function solveLower(factor: Float64Array, v: Float64Array, from: number, h: number): void {
  for (let i = 0; i < h; i++) {
    const ih = i * h
    let sum = v[from + i]!
    for (let k = 0; k < i; k++) sum -= factor[ih + k]! * v[from + k]!
    v[from + i] = sum / factor[ih + i]!
  }
}

/** L⁻¹ of each row of v, four rows abreast: their sums do not wait for each other, so the processor need not either. */
function solveRows(factor: Float64Array, v: Float64Array, rows: number, h: number): void {
  let r = 0
  for (; r + 3 < rows; r += 4) {
    const a = r * h
    const b = a + h
    const c = b + h
    const d = c + h
    for (let i = 0; i < h; i++) {
      const ih = i * h
      let sa = v[a + i]!
      let sb = v[b + i]!
      let sc = v[c + i]!
      let sd = v[d + i]!
      for (let k = 0; k < i; k++) {
        const l = factor[ih + k]!
        sa -= l * v[a + k]!
        sb -= l * v[b + k]!
        sc -= l * v[c + k]!
        sd -= l * v[d + k]!
      }
      const pivot = factor[ih + i]!
      v[a + i] = sa / pivot
      v[b + i] = sb / pivot
      v[c + i] = sc / pivot
      v[d + i] = sd / pivot
    }
  }
  for (; r < rows; r++) solveLower(factor, v, r * h, h)
}

/** P −= G·Gᵀ, lower triangle, in blocks of two by two for the same reason. An odd last row is done alone. */
function takeAway(covariance: Float64Array, gain: Float64Array, n: number, h: number): void {
  let i = 0
  for (; i + 1 < n; i += 2) {
    const a = i * h
    const b = a + h
    for (let j = 0; j <= i; j += 2) {
      const c = j * h
      const d = c + h
      let ac = 0
      let ad = 0
      let bc = 0
      let bd = 0
      for (let k = 0; k < h; k++) {
        const ga = gain[a + k]!
        const gb = gain[b + k]!
        const gc = gain[c + k]!
        const gd = gain[d + k]!
        ac += ga * gc
        ad += ga * gd
        bc += gb * gc
        bd += gb * gd
      }
      covariance[i * n + j]! -= ac
      covariance[i * n + n + j]! -= bc
      covariance[i * n + n + j + 1]! -= bd
      // On the diagonal this one lies in the upper triangle, which nobody reads.
      covariance[i * n + j + 1]! -= ad
    }
  }
  for (; i < n; i++) {
    for (let j = 0; j <= i; j++) {
      let taken = 0
      for (let k = 0; k < h; k++) taken += gain[i * h + k]! * gain[j * h + k]!
      covariance[i * n + j]! -= taken
    }
  }
}

/** √A, the factor of S, and L⁻¹(b/√A − √A·m), 0 where nothing was hit, into the room. */
function weigh(room: Room, { precision, weighted }: SessionSums, h: number): void {
  const { root, start, surprise } = room
  for (let i = 0; i < h; i++) {
    const a = Math.sqrt(precision[i]!)
    root[i] = a
    surprise[i] = a === 0 ? 0 : weighted[i]! / a - a * start[i]!
  }
  factorize(room, h)
  solveLower(room.factor, surprise, 0, h)
}

/** Mean of the hit cells, and their covariance with the day's own effect, into the room: what a session begins with. */
export function startSession(room: Room, { mean, covariance }: Belief, cells: Int32Array, daySd: number): void {
  const n = mean.length
  const h = cells.length
  const day = daySd * daySd
  for (let i = 0; i < h; i++) {
    room.start[i] = mean[cells[i]!]!
    const from = cells[i]! * n
    for (let j = 0; j <= i; j++) {
      const value = covariance[from + cells[j]!]! + day
      room.prior[i * h + j] = value
      room.prior[j * h + i] = value
    }
  }
}

/**
 * Mean and variance of ln carry that day, of each hit cell, after what the session says. Needs `startSession`.
 * @returns by how much the mean that moved furthest did
 */
export function withinSession(room: Room, sums: SessionSums, mean: Float64Array, variance: Float64Array): number {
  const { prior, root, factor, surprise, gain, start } = room
  const h = sums.cells.length
  weigh(room, sums, h)
  for (let i = 0; i < h; i++) for (let j = 0; j < h; j++) gain[i * h + j] = prior[i * h + j]! * root[j]!
  // Rows of C√A·L⁻ᵀ: the square of one takes away variance, its product with L⁻¹(b/√A − √A·m) moves the mean.
  solveRows(factor, gain, h, h)
  let furthest = 0
  for (let i = 0; i < h; i++) {
    const ih = i * h
    let moved = start[i]!
    let left = prior[ih + i]!
    for (let j = 0; j < h; j++) {
      const r = gain[ih + j]!
      moved += r * surprise[j]!
      left -= r * r
    }
    const by = moved > mean[i]! ? moved - mean[i]! : mean[i]! - moved
    if (by > furthest) furthest = by
    mean[i] = moved
    variance[i] = left
  }
  return furthest
}

/**
 * Takes a session into the belief of all cells, hit or not, in place.
 * @returns its log evidence, up to a constant
 */
export function absorb(room: Room, belief: Belief, sums: SessionSums, daySd: number): number {
  const { mean, covariance } = belief
  const { root, factor, surprise, gain } = room
  const { cells } = sums
  const n = mean.length
  const h = cells.length
  startSession(room, belief, cells, daySd)
  weigh(room, sums, h)
  for (let i = 0; i < n; i++) {
    const ih = i * h
    for (let j = 0; j < h; j++) {
      const c = cells[j]!
      gain[ih + j] = (c <= i ? covariance[i * n + c]! : covariance[c * n + i]!) * root[j]!
    }
  }
  solveRows(factor, gain, n, h)
  for (let i = 0; i < n; i++) {
    let moved = 0
    for (let k = 0; k < h; k++) moved += gain[i * h + k]! * surprise[k]!
    mean[i]! += moved
  }
  takeAway(covariance, gain, n, h)
  let evidence = 0
  for (let i = 0; i < h; i++) evidence -= ln(factor[i * h + i]!) + 0.5 * surprise[i]! * surprise[i]!
  return evidence
}

/** A day from which on numbers may be others: older balls say less of what comes after it. */
export interface Change {
  /** Whole days on the count of the sessions; its balls are those after the change. */
  day: number
  kind: ChangeKind
}

function widen({ mean, covariance }: Belief, together: number, alone: number): void {
  const n = mean.length
  for (let i = 0; i < n; i++) {
    for (let j = 0; j <= i; j++) covariance[i * n + j]! += together
    covariance[i * n + i]! += alone
  }
}

/**
 * Days without a session: all cells drift together, and each a little by itself; more where something was changed
 * after the first day. In place.
 */
export function passTime(belief: Belief, fromDay: number, toDay: number, changes: readonly Change[] = []): void {
  const days = toDay - fromDay
  if (!(days > 0)) return
  const time = Math.min(days, MODEL.longestGapDays) / MODEL.driftDays
  widen(belief, MODEL.driftSd * MODEL.driftSd * time, MODEL.driftCellSd * MODEL.driftCellSd * time)
  for (const { day, kind } of changes) {
    if (day <= fromDay || day > toDay) continue
    const [together, alone] = MOVED_BY[kind]
    widen(belief, together * together, alone * alone)
  }
}

/** Fills the upper triangle from the lower one. */
export function mirror(covariance: Float64Array, n: number): void {
  for (let i = 0; i < n; i++) for (let j = 0; j < i; j++) covariance[j * n + i] = covariance[i * n + j]!
}
