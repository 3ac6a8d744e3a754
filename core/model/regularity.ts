import { exp } from '../stats/exact'
import type { Belief } from './belief'

/** What the sessions say of a player this regular who mishits so often, and ln of prior weight times evidence. */
export interface Candidate {
  belief: Belief
  logWeight: number
}

/**
 * Mixes beliefs by their evidence into one of the same mean and covariance: an irregular player's intervals are wider.
 * @returns with weights that add up to 1, in the order of the candidates
 */
export function mixBeliefs(candidates: readonly Candidate[]): Belief & { weights: number[] } {
  const n = candidates[0]!.belief.mean.length
  const top = Math.max(...candidates.map(c => c.logWeight))
  const raw = candidates.map(c => exp(c.logWeight - top))
  const total = raw.reduce((sum, w) => sum + w, 0)
  const weights = raw.map(w => w / total)
  const mean = new Float64Array(n)
  const covariance = new Float64Array(n * n)
  candidates.forEach(({ belief }, k) => {
    const w = weights[k]!
    for (let i = 0; i < n; i++) mean[i]! += w * belief.mean[i]!
  })
  candidates.forEach(({ belief }, k) => {
    const w = weights[k]!
    for (let i = 0; i < n; i++) {
      const off = belief.mean[i]! - mean[i]!
      for (let j = 0; j < n; j++)
        covariance[i * n + j]! += w * (belief.covariance[i * n + j]! + off * (belief.mean[j]! - mean[j]!))
    }
  })
  return { mean, covariance, weights }
}
