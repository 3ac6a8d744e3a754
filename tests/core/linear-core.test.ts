import { readFileSync } from 'node:fs'
import Papa from 'papaparse'
import { afterAll, describe, expect, it } from 'vitest'
import { absorb, passTime, makeRoom, type Belief } from '../../core/model/belief'
import { MODEL } from '../../core/model/constants'
import { priorCovariance, priorMean, type ModelCell } from '../../core/model/prior'
import { metresToYards } from '../../core/units'

// The other programs were handed these priors; ours were chosen wider since.
const usual = { ...MODEL }
Object.assign(MODEL, { curvatureSd: 0.03, tiltSd: 0.1 })
afterAll(() => void Object.assign(MODEL, usual))

interface Row {
  session: number
  club: number
  rung: number
  loft_deg: number
  ln_fraction: number
  ln_carry: number
  noise_sd: number
  truth_yd: number
}

/*
 * 88 clean balls of a simulated player, two visits a month apart, by three others. Made with
 *   apt-get install r-cran-lme4 r-cran-mgcv && Rscript tests/fixtures/linear-core.R
 * which printed, under R 4.2.2 with lme4 1.1.31 and mgcv 1.8.41, the figures below. R's own `solve` (LAPACK) takes both
 * visits at once from the same prior; lme4 and mgcv know no prior and no passTime, and find one another to a hundredth.
 */
const LAPACK_M = [
  49.830076, 76.100054, 80.818141, 129.669078, 42.794543, 64.254764, 72.825319, 111.482519, 43.212329, 63.044696,
  67.952159, 108.556005, 37.925523, 55.645111, 62.944046, 95.461851,
]
const LAPACK_SD = [
  0.01334511, 0.01484066, 0.01830685, 0.01332596, 0.01834804, 0.01484585, 0.01331359, 0.01461407, 0.0183866, 0.01331789,
  0.01828299, 0.01458456, 0.01334389, 0.01483001, 0.01831276, 0.01331975,
]
const LME4_YD = [
  54.81, 81.61, 90.54, 140.9, 48.05, 71.54, 79.36, 123.52, 45.77, 68.15, 75.61, 117.67, 41.18, 61.31, 68.02, 105.86,
]

const rows = Papa.parse<Row>(readFileSync('tests/fixtures/linear-core.csv', 'utf8').trim(), {
  header: true,
  dynamicTyping: true,
}).data
const keyOf = (row: Row) => `${row.club} ${row.rung}`
const firsts = [...new Map(rows.map(row => [keyOf(row), row])).values()].sort(
  (a, b) => a.club - b.club || a.rung - b.rung,
)
const cells: ModelCell[] = firsts.map(row => ({
  club: row.club,
  rung: row.rung,
  loftDeg: row.loft_deg,
  lnFraction: row.ln_fraction,
}))

/** What one visit says: the balls of each cell as one precision and one weighted sum. */
function sumsOf(session: number) {
  const mine = rows.filter(row => row.session === session)
  const hit = firsts.flatMap((row, i) => (mine.some(other => keyOf(other) === keyOf(row)) ? [i] : []))
  const sum = (of: (row: Row) => number) =>
    Float64Array.from(hit, i =>
      mine.filter(row => keyOf(row) === keyOf(firsts[i]!)).reduce((total, row) => total + of(row), 0),
    )
  return {
    cells: Int32Array.from(hit),
    precision: sum(row => 1 / row.noise_sd ** 2),
    weighted: sum(row => row.ln_carry / row.noise_sd ** 2),
  }
}

function believed(): Belief {
  const belief = { mean: priorMean(cells), covariance: priorCovariance(cells, 1) }
  const visits = [sumsOf(0), sumsOf(30)]
  const room = makeRoom(cells.length, cells.length)
  absorb(room, belief, visits[0]!, MODEL.daySd)
  passTime(belief, 0, 30)
  absorb(room, belief, visits[1]!, MODEL.daySd)
  return belief
}

describe('the linear core beside outside libraries', () => {
  const { mean, covariance } = believed()
  const rmse = (a: readonly number[], b: readonly number[]) =>
    Math.sqrt(a.reduce((sum, v, i) => sum + (v - b[i]!) ** 2, 0) / a.length)
  const oursYd = [...mean].map(m => metresToYards(Math.exp(m)))
  const truthYd = firsts.map(row => row.truth_yd)

  it("is LAPACK's answer to all balls at once, to the last figure printed", () => {
    LAPACK_M.forEach((carryM, i) => expect(Math.exp(mean[i]!)).toBeCloseTo(carryM, 5))
    LAPACK_SD.forEach((sd, i) => expect(Math.sqrt(covariance[i * cells.length + i]!)).toBeCloseTo(sd, 7))
  })

  it('lies within 1.5 yd of lme4, as of the truth, and no further from the truth than lme4 does', () => {
    expect(rmse(oursYd, LME4_YD)).toBeLessThan(1.5)
    expect(rmse(oursYd, truthYd)).toBeLessThan(1.1 * rmse(LME4_YD, truthYd))
  })
})
