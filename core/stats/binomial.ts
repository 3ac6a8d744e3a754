import betainc from './vendor/betainc.js'

/**
 * The chances that of n tries with this chance each, k or fewer, and k or more, succeed; by the incomplete beta
 * function.
 * @param n 1 or more
 * @example binomialTails(8, 10, 0.5).above // => 0.0547
 */
export function binomialTails(k: number, n: number, chance: number): { below: number; above: number } {
  return {
    below: k >= n ? 1 : betainc(1 - chance, n - k, k + 1),
    above: k <= 0 ? 1 : betainc(chance, k, n - k + 1),
  }
}
