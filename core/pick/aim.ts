import { yardsToMetres } from '../units'
import type { CostAround } from './around'
import { aimToFlag, meanCost, meantBy, plusTo, type Meant, type Variant, type Width } from './candidate'

const AIM_STEP_M = yardsToMetres(1)
const AIM_REACH = 15
const MOST_ROUNDS = 4

/**
 * Where to aim, and how much more or less of the shot: the least mean cost on a grid of yards, then of half yards about
 * it. Without trouble the flag is aimed at.
 */
export function bestAim(
  variant: Variant,
  targetM: number,
  width: Width,
  cost: CostAround,
  few: Float64Array,
  more: Float64Array,
): { meant: Meant; cost: number } {
  const aim0 = aimToFlag(variant)
  const plus0 = plusTo(variant, targetM)
  const { mostPlusM, mostMinusM } = variant
  let points = few
  const look = (plusM: number, aimM: number) => {
    const meant = meantBy(variant, targetM, plusM, aimM, width)
    return { meant, cost: meanCost(meant, width, cost, points) }
  }
  let best = look(plus0, aim0)
  const tryAt = (plusM: number, aimM: number) => {
    if (plusM > mostPlusM || plusM < -mostMinusM) return
    const found = look(plusM, aimM)
    if (found.cost < best.cost - 1e-9) best = found
  }
  const reach = Math.ceil((mostPlusM + mostMinusM) / AIM_STEP_M)
  // Every other yard over all of it; then yards, halves and quarters about the best so far.
  for (let p = -reach; p <= reach; p += 2)
    for (let a = -AIM_REACH; a <= AIM_REACH; a += 2) tryAt(plus0 + p * AIM_STEP_M, aim0 + a * AIM_STEP_M)
  points = more
  best = look(best.meant.plusM, best.meant.aimRightM)
  for (const step of [2 * AIM_STEP_M, AIM_STEP_M, AIM_STEP_M / 2, AIM_STEP_M / 4])
    for (let round = 0; round < MOST_ROUNDS; round++) {
      const { plusM, aimRightM } = best.meant
      for (const p of [-1, 0, 1]) for (const a of [-1, 0, 1]) tryAt(plusM + p * step, aimRightM + a * step)
      if (best.meant.plusM === plusM && best.meant.aimRightM === aimRightM) break
    }
  return best
}
