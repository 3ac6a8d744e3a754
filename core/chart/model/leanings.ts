import { LEANING, MODEL } from './constants'
import type { Fit } from './fit'

/** How a number came about: shares of what moved it, adding up to about 1. */
export interface Leaning {
  /** Of the cell's own balls. */
  own: number
  /** Of what is usual for such lofts and swings: what no ball has said yet. */
  usual: number
  /** Of other cells' balls, the heaviest first. */
  others: { cell: number, share: number }[]
}

/**
 * What each cell's number leans on. In a Gaussian model the number is the prior plus Σ P_ij·A_j·(what the balls of j
 * say beyond it), so P_ij·A_j is the say of cell j's balls in cell i (A_j their precision); what is left of 1 is the
 * prior's. Days and drift in common are left out of A_j but for the day's own effect: good for words, not for sums.
 */
export function leanings(fit: Fit): Leaning[] {
  const n = fit.mean.length
  const precision = Float64Array.from(fit.ballPrecision, a => a === 0 ? 0 : 1 / (1 / a + MODEL.daySd * MODEL.daySd))
  return Array.from({ length: n }, (_, i) => {
    const say = Array.from({ length: n }, (_, j) => Math.max(0, fit.covariance[i * n + j]! * precision[j]!))
    const sum = say.reduce((total, s) => total + s, 0)
    // More than the whole would be the same news told twice, by cells that were hit on one day.
    const whole = Math.max(1, sum)
    const others = say.map((s, cell) => ({ cell, share: s / whole })).filter(o => o.cell !== i && o.share >= LEANING.leastShare)
    others.sort((a, b) => b.share - a.share || a.cell - b.cell)
    return { own: say[i]! / whole, usual: Math.max(0, 1 - sum / whole), others: others.slice(0, LEANING.mostOthers) }
  })
}
