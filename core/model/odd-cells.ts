import { choleskyOf, solveCholesky } from '../stats/cholesky'
import { ln } from '../stats/exact'
import type { Belief } from './belief'
import { MODEL } from './constants'
import type { SessionColumns } from './shots'

/** Balls of one cell over all sessions: where they lie in ln carry, how many each stands for, and one ball's noise. */
interface OwnBalls {
  balls: { y: number; balls: number }[]
  noise: number
}

const countOf = ({ balls }: OwnBalls) => balls.reduce((sum, one) => sum + one.balls, 0)

/** ln carry in the middle of the balls of one cell: half of them on each side; a pile is as many as it has. */
function middleOf(own: OwnBalls): number {
  const sorted = [...own.balls].sort((a, b) => a.y - b.y)
  const half = countOf(own) / 2
  let before = 0
  for (let k = 0; k < sorted.length; k++) {
    before += sorted[k]!.balls
    if (before > half) return sorted[k]!.y
    if (before === half) return (sorted[k]!.y + sorted[k + 1]!.y) / 2
  }
  return Number.NaN
}

/** Of a median over a mean, squared. */
const MEDIAN_VARIANCE = Math.PI / 2
/** A score that varies less than this is rounding: the cell's balls have no say. */
const LEAST_SCORE = 1e-6

/**
 * The cells that may be no relatives of the others, those first whose freeing may be worth most: their own balls do not
 * lie where the others have them. Told in two ways, the further one counts. Balls that were taken for poor ones: how
 * far their middle lies from the number. Balls that moved the number: the score of their own quirk, K⁻¹(m − m₀), whose
 * variance under the model is K⁻¹ − K⁻¹PK⁻¹ (the score test of a variance component: Rao, Proc. Camb. Phil. Soc. 44,
 * 1948). What it is worth follows from either as if the rest stayed as it is.
 * @param prior of all cells on the day of the last session; @param belief after it
 * @param except cells that go by their own balls already; @param worthFrom in ln of the evidence
 * @returns none of a cell with one ball, which is likelier a poor strike
 */
export function oddCells(
  prior: Belief,
  { mean, covariance }: Belief,
  works: readonly SessionColumns[],
  except: readonly number[],
  worthFrom: number = MODEL.oddTried,
): number[] {
  const n = mean.length
  const own = new Map<number, OwnBalls>()
  for (const { cells, daySd, at, y, balls, own: scatter } of works) {
    cells.forEach((cell, i) => {
      const one = own.get(cell) ?? { balls: [], noise: 0 }
      one.noise = scatter[i]! + daySd ** 2
      own.set(cell, one)
    })
    at.forEach((place, k) => own.get(cells[place]!)!.balls.push({ y: y[k]!, balls: balls[k]! }))
  }
  const hit = [...own.keys()].sort((a, b) => a - b)
  const h = hit.length
  const of = (matrix: Float64Array) =>
    Float64Array.from({ length: h * h }, (_, at) => {
      const [a, b] = [hit[Math.floor(at / h)]!, hit[at % h]!]
      return matrix[a > b ? a * n + b : b * n + a]!
    })
  const factor = choleskyOf(of(prior.covariance), h)
  const known = of(covariance)
  const scores = solveCholesky(
    factor,
    hit.map(cell => mean[cell]! - prior.mean[cell]!),
    true,
  )
  const lnOdd = ln(MODEL.oddShare / (1 - MODEL.oddShare))

  /** What freeing a cell is worth that lies so far off, at that variance. */
  function worth(off: number, variance: number): number {
    const free = (MODEL.oddSd * MODEL.oddSd) / variance
    return lnOdd + 0.5 * ((free / (1 + free)) * ((off * off) / variance) - ln(1 + free))
  }

  function worthFreeing(cell: number): number {
    const i = hit.indexOf(cell)
    const balls = own.get(cell)!
    const offV = known[i * h + i]! + (MEDIAN_VARIANCE * balls.noise) / countOf(balls)
    const byOff = worth(middleOf(balls) - mean[cell]!, offV)
    // The row of K⁻¹ for this cell.
    const row = solveCholesky(
      factor,
      hit.map(other => (other === cell ? 1 : 0)),
      true,
    )
    let scoreV = row[i]!
    for (let a = 0; a < h; a++) for (let b = 0; b < h; b++) scoreV -= row[a]! * row[b]! * known[a * h + b]!
    return scoreV > LEAST_SCORE ? Math.max(byOff, worth(scores[i]! / scoreV, 1 / scoreV)) : byOff
  }

  return hit
    .filter(cell => countOf(own.get(cell)!) >= MODEL.oddBalls && !except.includes(cell))
    .map(cell => ({ cell, worth: worthFreeing(cell) }))
    .filter(one => one.worth > worthFrom)
    .sort((a, b) => b.worth - a.worth || a.cell - b.cell)
    .map(one => one.cell)
}
