/**
 * The largest set of statements of which on average no more than `share` are false: the Bayesian false discovery rate
 * (Müller, Parmigiani, Rice, in Bayesian Statistics 8, 2007).
 * @returns true for each that is in the set
 * @example likelyOnes([0.99, 0.95, 0.5], 0.05) // => [true, true, false]
 */
export function likelyOnes(probabilities: readonly number[], share: number): boolean[] {
  const order = probabilities.map((_, i) => i).sort((a, b) => probabilities[b]! - probabilities[a]! || a - b)
  const taken = probabilities.map(() => false)
  let wrong = 0
  for (const [k, i] of order.entries()) {
    wrong += 1 - probabilities[i]!
    if (wrong > share * (k + 1)) break
    taken[i] = true
  }
  return taken
}

/**
 * Of many e-values, those that can be called together with at most `share` of the calls false on average: e-BH
 * (Wang & Ramdas, J. R. Stat. Soc. B 84, 2022). Rejects the k largest with e ≥ n/(share·k).
 */
export function certainOnes(evidence: readonly number[], share = 0.05): boolean[] {
  const order = evidence.map((_, i) => i).sort((a, b) => evidence[b]! - evidence[a]! || a - b)
  let last = -1
  order.forEach((i, k) => {
    if (evidence[i]! >= evidence.length / (share * (k + 1))) last = k
  })
  const taken = evidence.map(() => false)
  for (const i of order.slice(0, last + 1)) taken[i] = true
  return taken
}
