import { exp, ln } from '../stats/exact'
import { normalCdf } from '../stats/normal'

/**
 * Standard deviation of the range of n balls over that of one: d₃ of control charts. ASTM Manual on Presentation of
 * Data and Control Chart Analysis, table of factors for n = 2 … 20 (from memory; d₂ is integrated below and agrees).
 */
const D3 = [
  0.853, 0.888, 0.88, 0.864, 0.848, 0.833, 0.82, 0.808, 0.797, 0.787, 0.778, 0.77, 0.763, 0.756, 0.75, 0.744, 0.739,
  0.734, 0.729,
]
/** Piles beyond this are counted roughly, and their ends are the same few balls. */
const MOST_BALLS = 100
/** An extent says no more than this many balls measured one by one: its ends may be a mishit. Our choice. */
const MOST_DEGREES = 8

/**
 * Expected range of n normal values over their standard deviation: d₂ = ∫ 1 − Φ(x)ⁿ − (1 − Φ(x))ⁿ dx (Tippett 1925).
 * @example expectedRange(5) // => 2.326
 */
export function expectedRange(n: number): number {
  const step = 0.02
  let sum = 0
  for (let x = -8; x <= 8; x += step) {
    const p = normalCdf(x)
    sum += 1 - exp(n * ln(p)) - exp(n * ln(1 - p + 1e-300))
  }
  return sum * step
}

/**
 * What the length of a pile tells of the scatter of one ball: its sd by the range, and how many degrees of freedom
 * that is worth, by matching the spread of the estimate to a χ (Patnaik, Biometrika 37, 1950): ν ≈ ½(d₂/d₃)².
 * @param extentM front to back, metres; @param balls in the pile; @param measSdM of reading one end
 * @returns sd of one ball in metres (reading error included, its own part in `readSd`), or null when it tells nothing
 */
export function pileExtent(
  extentM: number,
  balls: number,
  measSdM: number,
): { sd: number; degrees: number; readSd: number } | null {
  if (!(extentM > 0) || !Number.isFinite(extentM) || balls < 2) return null
  const n = Math.min(balls, MOST_BALLS)
  const d2 = expectedRange(n)
  const d3 = D3[Math.min(n - 2, D3.length - 1)]!
  return {
    sd: extentM / d2,
    degrees: Math.min(MOST_DEGREES, 0.5 * (d2 / d3) ** 2),
    readSd: (Math.SQRT2 * measSdM) / d2,
  }
}
