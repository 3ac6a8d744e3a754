import { median } from '../stats/median'
import { SIDE } from './constants'

export interface SidePattern {
  /** Bias of each cell as a share of its carry, right positive, and its variance. */
  bias: number[]
  variance: number[]
  /** Scatter of one ball about it, share of carry. */
  sd: number
  playerBias: number
  playerVariance: number
  /** How many balls' sides tell. */
  measured: number
}

/**
 * The side pattern of every cell, hit or not: each leans on the player's own bias. One wild ball is clipped.
 * Without any side it is what is usual.
 * @param shots side over carry, right positive; @param cells how many cells there are
 */
export function sidePattern(shots: readonly { cell: number; ratio: number }[], cells: number): SidePattern {
  const indices = Array.from({ length: cells }, (_, c) => c)
  const ratios = indices.map((): number[] => [])
  for (const { cell, ratio } of shots) ratios[cell]!.push(ratio)
  const counts = ratios.map(own => own.length)
  let bias = indices.map(() => median(shots.map(s => s.ratio)))
  let variance = indices.map(() => 0)
  let s2 = SIDE.sd ** 2
  let playerBias = 0
  let playerVariance: number = SIDE.playerSd ** 2
  const clipped = (ratio: number, centre: number) =>
    Math.max(-SIDE.clipSds * Math.sqrt(s2), Math.min(SIDE.clipSds * Math.sqrt(s2), ratio - centre))
  for (let round = 0; round < SIDE.rounds; round++) {
    const means = ratios.map((own, c) =>
      own.length === 0 ? 0 : own.reduce((sum, ratio) => sum + bias[c]! + clipped(ratio, bias[c]!), 0) / own.length,
    )
    const weights = counts.map(n => (n === 0 ? 0 : 1 / (SIDE.cellSd ** 2 + s2 / n)))
    const precision = 1 / SIDE.playerSd ** 2 + weights.reduce((sum, w) => sum + w, 0)
    playerVariance = 1 / precision
    playerBias = weights.reduce((sum, w, c) => sum + w * means[c]!, 0) / precision
    const cell = counts.map(n => 1 / SIDE.cellSd ** 2 + n / s2)
    bias = indices.map(c => (playerBias / SIDE.cellSd ** 2 + (counts[c]! * means[c]!) / s2) / cell[c]!)
    variance = cell.map(p => 1 / p + (1 / SIDE.cellSd ** 2 / p) ** 2 / precision)
    const squares = shots.reduce((sum, s) => sum + clipped(s.ratio, bias[s.cell]!) ** 2, 0)
    s2 =
      (SIDE.priorBalls * SIDE.sd ** 2 + SIDE.clipFactor * squares) / (SIDE.priorBalls + Math.max(0, shots.length - 1))
  }
  return { bias, variance, sd: Math.sqrt(s2), playerBias, playerVariance, measured: shots.length }
}
