import { LEANING } from './constants'
import type { Fit } from './fit'

/** How a number came about: shares of what moved it, adding up to about 1. */
export interface Leaning {
  /** Of the cell's own balls. */
  own: number
  /** Of what is usual for such lofts and swings: what no ball has said yet. */
  usual: number
  /** Of other cells' balls, the heaviest first. */
  others: { cell: number; share: number }[]
}

/**
 * What each cell's number leans on. In a Gaussian model the number is the prior plus Σ_j (P·W)_ij (what the balls of j
 * say beyond it), W being what the sessions' balls say once the day they share is set aside: so (P·W)_ij is the say of
 * cell j's balls in cell i, and what is left of 1 is the prior's. Drift since is left out: good for words, not for
 * sums.
 */
export function leanings({
  mean,
  covariance,
  information,
}: Pick<Fit, 'mean' | 'covariance' | 'information'>): Leaning[] {
  const n = mean.length
  // Only cells that were hit have a say, and most of a large grid were not.
  const hit = [...mean.keys()].filter(k => {
    for (let j = 0; j < n; j++) if (information[k * n + j] !== 0) return true
    return false
  })
  return Array.from({ length: n }, (_, i) => {
    const say = Array.from({ length: n }, () => 0)
    for (const k of hit) {
      const c = covariance[i * n + k]!
      for (const j of hit) say[j]! += c * information[k * n + j]!
    }
    // A cell that shared its day with others may say the opposite of them; that is no leaning.
    for (const j of hit) if (say[j]! < 0) say[j] = 0
    const sum = say.reduce((total, s) => total + s, 0)
    const whole = Math.max(1, sum)
    const others = say
      .map((s, cell) => ({ cell, share: s / whole }))
      .filter(o => o.cell !== i && o.share >= LEANING.leastShare)
    others.sort((a, b) => b.share - a.share || a.cell - b.cell)
    return { own: say[i]! / whole, usual: Math.max(0, 1 - sum / whole), others: others.slice(0, LEANING.mostOthers) }
  })
}
