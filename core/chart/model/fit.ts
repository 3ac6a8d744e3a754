import { absorb, drift, startOfSession, withinSession, type Belief, type SessionSums } from './belief'
import { MODEL } from './constants'
import { studentQuantile, Z_80 } from './normal'
import { priorCovariance, priorMean, type ModelCell } from './prior'
import { updateSite, type Site } from './robust-shot'

/** One ball, or the middle of a pile, in neutral air. */
export interface ModelShot {
  /** Index into the cells. */
  cell: number
  carryM: number
  /** Standard deviation of the way it was measured, metres. */
  measSdM: number
  balls: number
}

export interface ModelSession {
  /** Days since any fixed day. */
  day: number
  shots: readonly ModelShot[]
}

export interface FitOptions {
  /** φ before the first ball, and how many balls that is worth: wider knowledge where the level is stated. */
  spread: number
  spreadBalls: number
}

export interface Fit {
  /** ln stock carry of every cell, hit or not, today. */
  mean: Float64Array
  /** Its covariance, row by row. */
  covariance: Float64Array
  /** Scatter of one clean ball is spread·√looseness·(carry + 30 m). */
  spread: number
  looseness: Float64Array
  /** Balls' worth of knowledge about each cell's looseness. */
  cellDegrees: Float64Array
  /** Degrees of freedom behind the spread. */
  degrees: number
  /** Probability that each shot is clean, by session, in the order given; shots dropped before the fit are not in it. */
  clean: number[][]
  /** How regular the player turned out: weights of the three regularities. */
  regularity: number[]
  passes: number
}

interface Entry extends Site { cell: number, at: number, y: number, carryM: number, measSdM: number, balls: number }
interface Work { day: number, cells: number[], entries: Entry[], mean: Float64Array | null, variance: Float64Array | null }

const grow = (carryM: number) => 1 + MODEL.spreadOffsetM / carryM

function prepare(cells: readonly ModelCell[], sessions: readonly ModelSession[]): Work[] {
  return [...sessions].sort((a, b) => a.day - b.day).map(({ day, shots }) => {
    // What cannot be is dropped; the caller, who has it on record, says so.
    const possible = shots.filter(s => Number.isFinite(s.carryM) && s.carryM >= MODEL.leastCarryM && s.carryM <= MODEL.mostCarryM && cells[s.cell] !== undefined)
    const hit = [...new Set(possible.map(s => s.cell))].sort((a, b) => a - b)
    const entries = possible.map(s => ({ ...s, at: hit.indexOf(s.cell), y: Math.log(s.carryM), clean: 1, precision: 0, weighted: 0 }))
    return { day, cells: hit, entries, mean: null, variance: null }
  }).filter(work => work.entries.length > 0)
}

function sums(work: Work): SessionSums {
  const precision = new Float64Array(work.cells.length)
  const weighted = new Float64Array(work.cells.length)
  for (const entry of work.entries) {
    precision[entry.at]! += entry.precision
    weighted[entry.at]! += entry.weighted
  }
  return { cells: work.cells, precision, weighted }
}

interface SpreadSums { squares: number, degrees: number, cellSquares: Float64Array, cellDegrees: Float64Array }

/** The rounds of one session: what each shot is worth, given the others, and what its scatter tells of the spread. */
function fitSession(work: Work, belief: Belief, spread: number, looseness: Float64Array, spreadSums: SpreadSums): void {
  const start = startOfSession(belief, work.cells, MODEL.daySd)
  let mean = work.mean ?? start.mean
  let variance = work.variance ?? Float64Array.from(work.cells, (_, i) => start.prior[i * work.cells.length + i]!)
  const noise = new Float64Array(work.entries.length)
  const own = new Float64Array(work.entries.length)
  const growth = new Float64Array(work.entries.length)
  for (let round = 0; round < MODEL.rounds; round++) {
    work.entries.forEach((entry, i) => {
      const carryM = Math.exp(mean[entry.at]!)
      const g = grow(carryM)
      growth[i] = g
      own[i] = spread * spread * g * g * looseness[entry.cell]! * (entry.balls > 1 ? MODEL.pileFactor / entry.balls : 1)
      noise[i] = own[i]! + (entry.measSdM / carryM) ** 2
      if (entry.precision === 0) {
        entry.precision = entry.clean / noise[i]!
        entry.weighted = entry.precision * entry.y
      }
    })
    ;({ mean, variance } = withinSession(start, sums(work)))
    work.entries.forEach((entry, i) => updateSite(entry, entry.y, noise[i]!, mean[entry.at]!, variance[entry.at]!))
  }
  work.mean = mean
  work.variance = variance
  work.entries.forEach((entry, i) => {
    if (entry.balls > 1) return
    const share = own[i]! / noise[i]!
    const leverage = Math.min(0.95, variance[entry.at]! * entry.precision)
    const degrees = entry.clean * share * (1 - leverage)
    const squares = entry.clean * share * share * (entry.y - mean[entry.at]!) ** 2 / growth[i]! ** 2
    spreadSums.degrees += degrees
    spreadSums.squares += squares / looseness[entry.cell]!
    spreadSums.cellDegrees[entry.cell]! += degrees
    spreadSums.cellSquares[entry.cell]! += squares
  })
}

/** Takes all sessions, oldest first, into a prior, and drifts to today. @returns the log evidence of them all */
function absorbAll(belief: Belief, works: readonly Work[], today: number): number {
  let day = works[0]?.day ?? today
  let evidence = 0
  for (const work of works) {
    drift(belief, work.day - day)
    day = work.day
    evidence += absorb(belief, sums(work), MODEL.daySd)
  }
  drift(belief, today - day)
  return evidence
}

/** The three regularities, each by its evidence, mixed into one belief. */
function mix(cells: readonly ModelCell[], works: readonly Work[], today: number) {
  const n = cells.length
  const beliefs = MODEL.regularities.map((kappa, k) => {
    const belief: Belief = { mean: priorMean(cells), covariance: priorCovariance(cells, kappa) }
    return { belief, logWeight: Math.log(MODEL.regularityWeights[k]!) + absorbAll(belief, works, today) }
  })
  const top = Math.max(...beliefs.map(b => b.logWeight))
  const raw = beliefs.map(b => Math.exp(b.logWeight - top))
  const total = raw.reduce((sum, w) => sum + w, 0)
  const weights = raw.map(w => w / total)
  const mean = new Float64Array(n)
  const covariance = new Float64Array(n * n)
  beliefs.forEach(({ belief }, k) => belief.mean.forEach((m, i) => {
    mean[i]! += weights[k]! * m
  }))
  beliefs.forEach(({ belief }, k) => {
    for (let i = 0; i < n; i++) {
      for (let j = 0; j < n; j++) {
        covariance[i * n + j]! += weights[k]! * (belief.covariance[i * n + j]! + (belief.mean[i]! - mean[i]!) * (belief.mean[j]! - mean[j]!))
      }
    }
  })
  return { mean, covariance, weights }
}

/**
 * The pooled model: what a player's balls say of every stock shot, hit or not. Deterministic and pure.
 * Sessions are gone over until nothing moves: drift, the robust rounds of each, then its sums into the belief of all
 * cells; after each pass the spread and the looseness of the cells; at the end the mixture over regularities.
 * @param sessions in any order; carries in neutral air, left-out shots not among them
 * @param today days on the same count as the sessions
 * @see MODEL for every constant and its source
 */
export function fitModel(cells: readonly ModelCell[], sessions: readonly ModelSession[], today: number, options: Partial<FitOptions> = {}): Fit {
  const { spread: spreadBefore, spreadBalls } = { spread: MODEL.spread, spreadBalls: MODEL.spreadBalls, ...options }
  const n = cells.length
  const works = prepare(cells, sessions)
  let spread = spreadBefore
  let looseness = new Float64Array(n).fill(1)
  let degrees = 0
  let cellDegrees = new Float64Array(n)
  let before: Float64Array | null = null
  let passes = 0
  while (passes < MODEL.mostPasses) {
    passes++
    const belief: Belief = { mean: priorMean(cells), covariance: priorCovariance(cells, 1) }
    const spreadSums: SpreadSums = { squares: 0, degrees: 0, cellSquares: new Float64Array(n), cellDegrees: new Float64Array(n) }
    let day = works[0]?.day ?? today
    for (const work of works) {
      drift(belief, work.day - day)
      day = work.day
      fitSession(work, belief, spread, looseness, spreadSums)
      absorb(belief, sums(work), MODEL.daySd)
    }
    const variance = (spreadBalls * spreadBefore ** 2 + spreadSums.squares) / (spreadBalls + spreadSums.degrees)
    looseness = Float64Array.from(looseness, (_, c) =>
      (MODEL.loosenessBalls + spreadSums.cellSquares[c]! / variance) / (MODEL.loosenessBalls + spreadSums.cellDegrees[c]!))
    const moved = before === null ? Infinity : belief.mean.reduce((most, m, i) => Math.max(most, Math.abs(m - before![i]!)), 0)
    const widened = Math.abs(Math.log(variance / spread ** 2))
    spread = Math.sqrt(variance)
    degrees = spreadSums.degrees
    cellDegrees = Float64Array.from(spreadSums.cellDegrees)
    before = belief.mean
    if (moved < MODEL.stopLnCarry && widened < MODEL.stopLnSpread) break
  }
  const { mean, covariance, weights } = mix(cells, works, today)
  return { mean, covariance, spread, looseness, cellDegrees, degrees: Math.max(3, spreadBalls + degrees), clean: works.map(w => w.entries.map(e => e.clean)), regularity: weights, passes }
}

/** What is read of one cell of a fit. */
export interface CellEstimate {
  carryM: number
  /** 8 in 10 that the stock carry lies here, metres. */
  certainty80M: [number, number]
  /** Where the next clean ball lands 8 times in 10, the doubt about the number included, metres. */
  window80M: [number, number]
  /** Scatter of one clean ball, metres. */
  spreadSdM: number
}

/** Stock carry, certainty and window of cell i. */
export function cellEstimate(fit: Fit, i: number): CellEstimate {
  const n = fit.mean.length
  const m = fit.mean[i]!
  const carryM = Math.exp(m)
  const variance = fit.covariance[i * n + i]!
  const t = studentQuantile(Z_80, fit.degrees)
  const scatter = fit.spread * Math.sqrt(fit.looseness[i]!) * grow(carryM)
  const around = (sd: number): [number, number] => [Math.exp(m - t * sd), Math.exp(m + t * sd)]
  return { carryM, certainty80M: around(Math.sqrt(variance)), window80M: around(Math.sqrt(variance + scatter ** 2)), spreadSdM: carryM * scatter }
}
