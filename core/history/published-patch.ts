import { landingPatch, type LandingPatch } from '../chart/landing'
import { Z_80 } from '../stats/quantiles'
import { metresOf, type PublishedCell } from './published'

/**
 * Where 8 clean balls in 10 of a published stock shot land, seen from above: its published window along the line, its
 * published side pattern across. Null where it tells no window, as of a written number.
 */
export function publishedPatch(cell: PublishedCell): LandingPatch | null {
  const { carry, window, pattern } = cell
  if (!carry || !window) return null
  const carryM = metresOf(carry)
  const window80M: [number, number] = [metresOf(window[0]), metresOf(window[1])]
  if (pattern?.sideSdM === undefined) return landingPatch({ carryM, window80M })
  const sideM = pattern.sideBiasM ?? 0
  const half = Z_80 * pattern.sideSdM
  return landingPatch({ carryM, window80M, sideM, sideWindow80M: [sideM - half, sideM + half] })
}
